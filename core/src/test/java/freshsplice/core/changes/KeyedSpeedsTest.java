package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Source;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Warnings;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Edits whose speed changes within a clip: every frame is that of the edit, when it is conformed, handed back and changed. */
class KeyedSpeedsTest {
    private Master master;
    private final Map<Long, Shot> shots = new HashMap<>();

    private static TimeMap.Key key(long record, long source) {
        return new TimeMap.Key(record, Rational.of(source));
    }

    private static Event keyed(String name, long in, long out, boolean smooth, TimeMap.Key... keys) {
        FrameRange record = FrameRange.of(in, out);
        return Event.clip(null, name, record, Source.named(name, name, FrameRate.FPS_24), new TimeMap(List.of(keys), smooth).shiftedBy(in).over(record));
    }

    private static Cut cut(Event... events) {
        return Cuts.of(Cuts.track(events));
    }

    private void receive(Cut cut) {
        FirstMaster.MasterWithShots made = FirstMaster.of(cut, Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT)), 8);
        master = made.master();
        shots.clear();
        made.shots().forEach(s -> shots.put(s.id(), s));
    }

    private Turnover against(Cut cut) {
        return Turnover.of(master, id -> null, shots, CutClips.joined(cut, seam -> false), new Origins(), Turnover.Sources.NONE, 8, (a, b) -> false);
    }

    private void applyAll(Cut cut) {
        Turnover turnover = against(cut);
        Applying.Outcome applied = Applying.apply(turnover, IntStream.range(0, turnover.changes().changes().size()).boxed().collect(Collectors.toSet()), 1001);
        assertThat(applied.newShots()).isEmpty();
        shots.putAll(applied.shots());
        master = applied.master();
    }

    /** Source positions that the master's boards show, record frame by record frame. */
    private void assertShows(Cut cut) {
        for (LiveEvent live : LivePicture.of(cut)) {
            Clip clip = master.main().clips().stream().filter(s -> s.record().contains(live.record().in())).findFirst().orElseThrow();
            Shot.Anchor anchor = shots.get(clip.shotId()).anchor();
            for (long r = live.record().in(); r < live.record().out(); r++) {
                assertThat(anchor.sourceAt(clip.at(r)).floor()).as("record frame %d of %s", r, live.event().name()).isEqualTo(live.time().at(r).floor());
            }
        }
    }

    private static Cut ramp(long middle) {
        return cut(Cuts.clip("A", 0, 20, 0), keyed("B", 20, 68, false, key(0, 100), key(24, middle), key(48, 200)), Cuts.clip("C", 68, 90, 0));
    }

    @Test
    @DisplayName("a shot's board follows the keys, and the same cut again has no changes")
    void conformed() {
        receive(ramp(180));
        assertShows(ramp(180));
        assertThat(shots.get(2L).anchor().sourceAt(Rational.of(1001 + 24))).isEqualTo(Rational.of(180));
        assertThat(against(ramp(180)).changes().changes()).isEmpty();
    }

    @Test
    @DisplayName("other keys between the same ends are another speed, asked for and carried in")
    void otherKeys() {
        receive(ramp(180));
        Turnover turnover = against(ramp(120));
        assertThat(turnover.changes().changes()).singleElement().satisfies(c -> {
            assertThat(c.kind()).isEqualTo(ChangeKind.RETIMED);
            assertThat(c.needs()).isEqualTo(Impact.RENDER);
        });
        applyAll(ramp(120));
        assertShows(ramp(120));
        assertThat(against(ramp(120)).changes().changes()).isEmpty();
        assertThat(CutChanges.between(ramp(180), ramp(120), 8).changes()).extracting(Change::kind).containsExactly(ChangeKind.RETIMED);
    }

    @Test
    @DisplayName("keys where the speed was even, of the same mean, and the way back")
    void fromEven() {
        Cut even = cut(Cuts.clip("A", 0, 48, 100));
        Cut keyed = cut(keyed("A", 0, 48, false, key(0, 100), key(12, 130), key(48, 148)));
        receive(even);
        assertThat(against(keyed).changes().changes()).extracting(Change::kind).containsExactly(ChangeKind.RETIMED);
        applyAll(keyed);
        assertShows(keyed);
        assertThat(against(keyed).changes().changes()).isEmpty();
        applyAll(even);
        assertShows(even);
        assertThat(against(even).changes().changes()).isEmpty();
    }

    @Test
    @DisplayName("what goes to and fro, where a source frame does not tell the shot's, plays as the newer cut has it")
    void toAndFro() {
        Cut before = cut(keyed("A", 0, 48, false, key(0, 100), key(24, 148), key(48, 100)));
        Cut after = cut(keyed("A", 0, 48, false, key(0, 100), key(30, 148), key(48, 110)));
        receive(before);
        applyAll(after);
        assertShows(after);
        assertThat(against(after).changes().changes()).isEmpty();
    }

    @Test
    @DisplayName("trimmed at the head by five frames and at the tail by three, keys are the same keys")
    void trimmed() {
        receive(ramp(180));
        Cut newer = cut(Cuts.clip("A", 0, 20, 0), keyed("B", 20, 60, false, key(-5, 100), key(19, 180), key(43, 200)), Cuts.clip("C", 60, 82, 0));
        assertThat(against(newer).changes().changes()).first().satisfies(c -> {
            assertThat(c.kind()).isEqualTo(ChangeKind.TRIMMED);
            assertThat(c.head()).isEqualTo(-5);
            assertThat(c.tail()).isEqualTo(-3);
        });
        applyAll(newer);
        assertShows(newer);
        assertThat(master.main().clips().get(1).isEven()).isTrue();
        assertThat(master.main().clips().get(1).from()).isEqualTo(Rational.of(1006));
    }

    @Test
    @DisplayName("a slow ramp trimmed by one frame is trimmed by one frame")
    void slow() {
        Cut before = cut(keyed("A", 0, 48, false, key(0, 100), key(24, 112), key(48, 136)));
        Cut after = cut(keyed("A", 0, 47, false, key(-1, 100), key(23, 112), key(47, 136)));
        receive(before);
        assertThat(against(after).changes().changes()).singleElement().satisfies(c -> assertThat(c.head()).isEqualTo(-1));
    }

    @Test
    @DisplayName("a keyed clip without a render goes back with its keys")
    void handedBack() {
        receive(ramp(180));
        Map<Long, HandBack.KnownShot> known = new HashMap<>();
        shots.forEach((id, s) -> known.put(id, new HandBack.KnownShot(s.code(), s.anchor(), Source.named(s.anchor().name(), s.anchor().name(), FrameRate.FPS_24))));
        Cut back = HandBack.of(master, id -> null, ShotRenders.NONE, known, HandBack.Rest.BOARD, List.of(), List.of()).cut();
        Event event = back.tracks().get(0).events().get(1);
        for (long r = 20; r <= 68; r++) {
            assertThat(event.time().at(r)).isEqualTo(ramp(180).tracks().get(0).events().get(1).time().at(r));
        }
        assertThat(event.time().keys()).hasSize(3);
        assertThat(CutChanges.between(ramp(180), back, 8).changes()).isEmpty();
    }

    @Test
    @DisplayName("frames that were slid before the media's first one are a gap in the list, and said")
    void beforeItsMedia() {
        Cut cut = cut(Cuts.clip("A", 0, 48, 1_728_000));
        receive(cut);
        Clip slid = master.main().clips().get(0).slipped(Rational.of(-5));
        master = master.withMain(List.of(slid));
        Source board = new Source("A", "R1", null, FrameRate.FPS_24, 1_728_000L, 400L);
        HandBack.HandedBack back = HandBack.of(master, id -> null, ShotRenders.NONE,
                Map.of(1L, new HandBack.KnownShot("sh0010", shots.get(1L).anchor(), board)), HandBack.Rest.BOARD, List.of(), List.of());
        assertThat(back.cut().tracks().get(0).events()).singleElement().satisfies(e -> {
            assertThat(e.record()).isEqualTo(FrameRange.of(5, 48));
            assertThat(e.from()).isEqualTo(Rational.of(1_728_000));
        });
        assertThat(back.remarks()).anySatisfy(r -> assertThat(r.text()).isEqualTo("5 frames lie before the first frame of A: the list has a gap there"));
        assertThat(Warnings.ofBoards(FirstMaster.of(cut, Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT)), 8).master()
                .withMain(List.of(slid.slipped(Rational.of(5)))), master, shots, Map.of(1L, 1_728_000L)))
                .containsExactly("sh0010 begins 5 frames before its board does: the board's first frame stands there");
    }

    @RepeatedTest(60)
    @DisplayName("any keys over any keys, eased too: applied, every frame is the newer cut's, and nothing is left to do")
    void anyKeys(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        receive(any(random));
        for (int i = 0; i < 3; i++) {
            Cut newer = any(random);
            applyAll(newer);
            assertShows(newer);
            assertThat(against(newer).changes().changes()).isEmpty();
        }
    }

    private static Cut any(Random random) {
        List<Event> events = new ArrayList<>();
        long at = 0;
        for (String name : List.of("A", "B", "C")) {
            long length = 30 + random.nextInt(20);
            List<TimeMap.Key> keys = new ArrayList<>();
            int count = 2 + random.nextInt(3);
            long source = 1000;
            for (int k = 0; k < count; k++) {
                keys.add(key(k * length / (count - 1), source));
                source += random.nextInt(5) == 0 ? -random.nextInt(30) : random.nextInt(60) + 1;
            }
            events.add(keyed(name, at, at + length, random.nextInt(4) == 0, keys.toArray(TimeMap.Key[]::new)));
            at += length;
        }
        return cut(events.toArray(Event[]::new));
    }
}
