package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class TurnoverTest {
    private static final LongFunction<Master> NO_NESTS = id -> null;
    private Master master;
    private final Map<Long, Shot> shots = new HashMap<>();

    private void receive(Cut cut) {
        FirstMaster.MasterWithShots made = FirstMaster.of(cut,
                Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT)), 8);
        master = made.master();
        shots.clear();
        made.shots().forEach(s -> shots.put(s.id(), s));
    }

    private Turnover against(Cut cut, Origins origins) {
        return Turnover.of(master, NO_NESTS, shots, CutClips.joined(cut, seam -> false), origins,
                Turnover.Sources.NONE, 8, (a, b) -> false);
    }

    private static Set<Integer> all(Turnover turnover) {
        return IntStream.range(0, turnover.changes().changes().size()).boxed().collect(Collectors.toSet());
    }

    private void keep(Applying.Outcome applied) {
        shots.putAll(applied.shots());
        List<Clip> clips = new ArrayList<>(applied.master().main().clips());
        for (NewShots.NewShot made : NewShots.of(applied, shots, ShotNumbering.DEFAULT, 8,
                shots.values().stream().map(Shot::code).collect(Collectors.toSet()))) {
            long id = 1000 + shots.size();
            Shot shot = made.shot();
            shots.put(id, new Shot(id, shot.code(), shot.cutRange(), shot.handles(), shot.actionOffset(), shot.anchor()));
            clips.set(made.place(), clips.get(made.place()).showing(new Clip.Content.OfShot(id),
                    clips.get(made.place()).from()));
        }
        master = applied.master().withMain(clips);
    }

    /** Applied, it equals the new cut; none applied, nothing changes; over random edits. */
    @Test
    void allChangesMakeTheMasterTheCutAndNoneChangesNothing() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            EditRoom room = EditRoom.with(random, 14);
            receive(room.cut());
            for (int i = 0; i < 6; i++) {
                editAnyhow(room, random, i);
            }
            Cut newer = room.cut();
            Turnover turnover = against(newer, new Origins());
            assertThat(Applying.apply(turnover, Set.of(), 1001).master()).as("none, seed %s", seed).isEqualTo(master);
            keep(Applying.apply(turnover, all(turnover), 1001));
            Turnover again = against(newer, new Origins());
            assertThat(again.changes().changes()).as("all, seed %s", seed).isEmpty();
        }
    }

    private static void editAnyhow(EditRoom room, Random random, int n) {
        int i = random.nextInt(room.size() - 1);
        int by = random.nextInt(9) + 1;
        switch (random.nextInt(8)) {
            case 0 -> room.trim(i, by, -by / 2);
            case 1 -> room.trim(i, -by, by * 2);
            case 2 -> room.slip(i, by);
            case 3 -> room.retime(i, Rational.of(3, 4));
            case 4 -> room.replace(i, "other" + n);
            case 5 -> room.insert(i, "new" + n, 10 + by);
            case 6 -> room.omit(i);
            default -> room.swapWithNext(i);
        }
    }

    @Test
    void aShotKeepsItsFrameNumbersWhateverIsTrimmed() {
        EditRoom room = EditRoom.with(new Random(4), 4);
        receive(room.cut());
        long length = master.main().clips().get(1).record().length();
        room.trim(1, 6, -3);
        Turnover turnover = against(room.cut(), new Origins());
        Applying.Outcome applied = Applying.apply(turnover, all(turnover), 1001);
        assertThat(applied.master().main().clips().get(1).from()).isEqualTo(Rational.of(995));
        assertThat(applied.shots().get(2L).cutRange()).isEqualTo(FrameRange.of(995, 1001 + length - 3));
        assertThat(applied.shots().get(2L).actionOffset()).isEqualTo(shots.get(2L).actionOffset());
    }

    @Test
    void chosenChangesAloneAreAppliedAndTheRestIsPushedAlong() {
        EditRoom room = EditRoom.with(new Random(5), 5);
        receive(room.cut());
        List<FrameRange> before = master.main().clips().stream().map(Clip::record).toList();
        room.trim(1, 0, -4);
        room.omit(3);
        Turnover turnover = against(room.cut(), new Origins());
        int trimmed = IntStream.range(0, turnover.changes().changes().size())
                .filter(i -> turnover.changes().changes().get(i).kind() == ChangeKind.TRIMMED).findFirst().orElseThrow();
        List<FrameRange> after = Applying.apply(turnover, Set.of(trimmed), 1001).master().main().clips().stream()
                .map(Clip::record).toList();
        assertThat(after).containsExactly(before.get(0), before.get(1).withOut(before.get(1).out() - 4),
                before.get(2).shiftedBy(-4), before.get(3).shiftedBy(-4), before.get(4).shiftedBy(-4));
    }

    /** The list we hand out names our renders and their frames; read in again it has zero changes. */
    @Test
    void aHandedBackListHasNoChanges() {
        EditRoom room = EditRoom.with(new Random(6), 6);
        receive(room.cut());
        HandBack.HandedBack back = handBack();
        assertThat(back.remarks()).isEmpty();
        assertThat(back.cut().tracks().get(0).events().get(0).name()).isEqualTo("sh0010_v003");
        assertThat(back.cut().tracks().get(0).events().get(0).from()).isEqualTo(Rational.of(1001));
        assertThat(against(back.cut(), origins).changes().isIdentical()).isTrue();
    }

    private final Origins origins = new Origins();

    private static FinishedRender rendered(long shot, RenderName name, RenderRange range) {
        return new FinishedRender(shot, shot, name, Grade.FINAL, name + ".mp4", range, 0);
    }

    private HandBack.HandedBack handBack() {
        List<FinishedRender> renders = new ArrayList<>();
        for (Clip clip : master.main().clips()) {
            Shot shot = shots.get(clip.shotId());
            RenderRange range = RenderRange.of(clip, clip.record());
            RenderName name = new RenderName(shot.code(), 3);
            renders.add(rendered(shot.id(), name, range));
            origins.render(name, shot.id(), range);
        }
        return HandBack.of(master, NO_NESTS, ShotRenders.of(renders, Grade::counts), known(), HandBack.Rest.BOARD, List.of(), List.of());
    }

    private Map<Long, HandBack.KnownShot> known() {
        return shots.values().stream().collect(Collectors.toMap(Shot::id, s -> new HandBack.KnownShot(s.code(), s.anchor(),
                freshsplice.core.cut.Source.ofIdentity(s.anchor().key()))));
    }

    @Test
    void whatOnlyOneOfMasterAndCutShowsIsNamedAndAMereSplitIsNot() {
        EditRoom room = EditRoom.with(new Random(9), 5);
        receive(room.cut());
        List<Clip> clips = new ArrayList<>(master.main().clips());
        Clip split = clips.get(1);
        long half = split.record().in() + 10;
        clips.set(1, split.over(split.record().withOut(half)));
        clips.add(2, split.over(split.record().withIn(half)).fresh());
        clips.set(3, clips.get(3).switched(false));
        Clip lifted = clips.remove(4);
        clips.add(4, new Clip(0, new Clip.Content.Slate("To come"), lifted.record(), Rational.ZERO, Rational.ONE, true,
                null, null));
        master = master.withMain(clips);
        PlacesInCut places = PlacesInCut.of(clips, against(room.cut(), new Origins()));
        assertThat(places.of(1)).isEqualTo(split.record());
        assertThat(places.of(2)).isEqualTo(split.record());
        assertThat(places.differences()).extracting(d -> d.record() + " " + d.kind() + " " + d.name()).containsExactlyInAnyOrder(
                clips.get(3).record() + " SWITCHED_OFF ", lifted.record() + " ONLY_HERE ", lifted.record() + " ONLY_IN_CUT src3");
    }

    @Test
    void theEditRoomsCutOfOurRendersIsMatchedByOurNamesAndFrames() {
        EditRoom room = EditRoom.with(new Random(7), 4);
        receive(room.cut());
        Cut back = handBack().cut();
        freshsplice.core.cut.Track track = back.tracks().get(0);
        List<freshsplice.core.cut.Event> events = new ArrayList<>(track.events());
        freshsplice.core.cut.Event last = events.remove(3);
        events.add(last.over(FrameRange.of(last.record().in() + 5, last.record().out())).shiftedBy(-5));
        Cut newer = new Cut("v2", back.rate(), false, back.record(),
                List.of(new freshsplice.core.cut.Track(track.kind(), "V1", true, events, List.of())), List.of());
        Turnover turnover = against(newer, origins);
        assertThat(turnover.changes().changes()).hasSize(1);
        assertThat(turnover.changes().changes().get(0).head()).isEqualTo(-5);
        Applying.Outcome applied = Applying.apply(turnover, all(turnover), 1001);
        assertThat(applied.master().main().clips().get(3).from()).isEqualTo(Rational.of(1006));
    }

    /** Our own list of a clip whose speed is keyed, rendered and handed back, says nothing new, and applied keeps the keys. */
    @Test
    void aKeyedSpeedComesBackAsItWent() {
        EditRoom room = EditRoom.with(new Random(6), 4);
        receive(room.cut());
        Clip plain = master.main().clips().get(1);
        long length = plain.record().length();
        Clip keyed = plain.withRetimeKeys(plain.record(), List.of(new RetimeKey(Rational.ZERO, plain.from(), RetimeInterpolation.STRAIGHT),
                new RetimeKey(Rational.of(10), plain.from().plus(20), RetimeInterpolation.STRAIGHT),
                new RetimeKey(Rational.of(length), plain.from().plus(length), RetimeInterpolation.STRAIGHT)));
        List<Clip> clips = new ArrayList<>(master.main().clips());
        clips.set(1, keyed);
        master = master.withMain(clips);
        RenderName name = new RenderName(shots.get(keyed.shotId()).code(), 1);
        RenderRange range = RenderRange.of(keyed, keyed.record());
        Cut back = HandBack.of(master, NO_NESTS, ShotRenders.of(List.of(rendered(keyed.shotId(), name, range)),
                Grade::counts), known(), HandBack.Rest.BOARD, List.of(), List.of()).cut();
        Origins origins = new Origins().render(name, keyed.shotId(), range);
        shots.values().forEach(s -> origins.shot(s.code(), s.id()));
        Turnover turnover = against(back, origins);
        assertThat(turnover.changes().changes()).isEmpty();

        // trimmed by the edit room at its head, by frames of the movie
        Event event = back.tracks().get(0).events().get(1);
        FrameRange shorter = event.record().withIn(event.record().in() + 4);
        List<Event> events = new ArrayList<>(back.tracks().get(0).events());
        events.set(1, event.over(shorter));
        Cut trimmed = new Cut(back.name(), back.rate(), false, back.record(), List.of(new Track(Track.Kind.PICTURE, "V1", true,
                events, List.of())), List.of());
        Turnover newer = against(trimmed, origins);
        Clip after = Applying.apply(newer, all(newer), 1001).master().main().clips().get(1);
        assertThat(after.isEven()).isFalse();
        for (long r = shorter.in(); r < shorter.out(); r++) {
            assertThat(after.at(r + after.record().in() - shorter.in())).as("record frame %s", r).isEqualTo(keyed.at(r));
        }
    }

    @Test
    void aCutForAMasterWithoutShotsIsTakenInPartToo() {
        EditRoom room = EditRoom.with(new Random(7), 3);
        receive(room.cut());
        master = master.withMain(List.of());
        shots.clear();
        Turnover turnover = against(room.cut(), new Origins());
        assertThat(turnover.changes().changes()).extracting(Change::kind).containsOnly(ChangeKind.NEW);
        Applying.Outcome applied = Applying.apply(turnover, Set.of(1, 2), 1001);
        assertThat(applied.newShots()).hasSize(2);
        assertThat(applied.master().main().clips()).extracting(s -> s.record().length())
                .containsExactly(turnover.newClip(1).edge().length(), turnover.newClip(2).edge().length());
    }

    @Test
    void aChangeIsNamedByWhatItIsAndNotByItsPlace() {
        EditRoom room = EditRoom.with(new Random(8), 6);
        receive(room.cut());
        room.trim(3, 0, -5);
        Turnover one = against(room.cut(), new Origins());
        String name = one.nameOf(one.changes().changes().get(0));
        room.replace(0, "other");
        Turnover two = against(room.cut(), new Origins());
        assertThat(two.changes().changes().stream().map(two::nameOf)).contains(name);
        assertThat(two.changes().changes().indexOf(one.changes().changes().get(0))).isNotZero();
        room.trim(3, 0, -1);
        Turnover three = against(room.cut(), new Origins());
        assertThat(three.changes().changes().stream().map(three::nameOf)).doesNotContain(name);
    }

    /** The newer cut knows a source by its file, the master by its reel: what somebody said stands above what is found. */
    @Test
    void whatSomebodySaidOfTwoSourcesIsTaken() {
        EditRoom room = EditRoom.with(new Random(9), 3);
        receive(room.cut());
        Cut plain = room.cut();
        List<Event> events = plain.tracks().get(0).events().stream().map(e -> new Event(e.number(), e.kind(), e.name(),
                true, e.record(), new Source("call " + e.name(), null, "/media/" + e.name().hashCode() + ".mov",
                e.source().rate(), null, null), e.time(), null, List.of())).toList();
        Cut renamed = new Cut(plain.name(), plain.rate(), false, plain.record(), List.of(new Track(Track.Kind.PICTURE, "V1",
                true, events, List.of())), List.of());
        assertThat(against(renamed, new Origins()).changes().changes()).extracting(Change::kind)
                .containsOnly(ChangeKind.REPLACED);
        Map<String, String> pairs = new HashMap<>();
        for (int i = 0; i < events.size(); i++) {
            pairs.put(plain.tracks().get(0).events().get(i).source().identity(), events.get(i).source().identity());
        }
        Turnover.Sources said = new Turnover.Sources() {
            @Override
            public Source named(String identity) {
                return null;
            }

            @Override
            public Boolean areSame(String older, String newer) {
                return newer.equals(pairs.get(older)) ? Boolean.TRUE : null;
            }
        };
        Turnover turnover = Turnover.of(master, NO_NESTS, shots, CutClips.joined(renamed, seam -> false), new Origins(), said,
                8, (a, b) -> false);
        assertThat(turnover.changes().changes()).isEmpty();
        assertThat(turnover.sameSources()).hasSize(3);
        assertThat(LivePicture.of(renamed)).hasSize(3);
    }
}
