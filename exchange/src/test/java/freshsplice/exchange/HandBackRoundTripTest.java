package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.changes.ChangeWords;
import freshsplice.core.changes.Origins;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
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
import freshsplice.core.master.Transition;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Fades;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.master.edit.TrackEdits;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A list that is handed back with renders of every extent and read in again has no changes, in every format. */
class HandBackRoundTripTest {
    private static final List<Marker> MARKS = List.of(new Marker(FrameRange.ofLength(86_410, 1), "bell here", "", ""));

    private final Map<Long, Shot> shots = new HashMap<>();
    private final Map<String, Source> sources = new HashMap<>();
    private Master master;

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void whatAListNamesIsThereAndItComesBackWithoutChanges(String format) {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            receive(cut(random, seed % 3 == 2));
            List<FinishedRender> renders = renders(random);
            for (HandBack.Rest rest : HandBack.Rest.values()) {
                HandBack.HandedBack back = handBack(renders, rest);
                Cut read = through(format, back.cut());
                String what = format + ", seed " + seed + ", " + rest;
                assertThat(read.tracks().get(0).events()).as(what).allSatisfy(e -> isInItsMovie(e, renders));
                if (rest == HandBack.Rest.BOARD) {
                    assertThat(against(read, renders).changes().changes().stream().map(ChangeWords::what)).as(what).isEmpty();
                }
                assertThat(read.markers()).as(what).singleElement().satisfies(m -> {
                    assertThat(m.record().in()).isEqualTo(86_410);
                    assertThat(m.name() + m.comment()).contains("bell here");
                });
                assertThat(back.tally().clips()).isEqualTo(master.main().clips().size());
            }
        }
    }

    private static void isInItsMovie(Event event, List<FinishedRender> renders) {
        renders.stream().filter(r -> r.name().toString().equals(event.name().toLowerCase(Locale.ROOT))).forEach(r -> {
            long zero = r.range().startTimecode();
            assertThat(event.from()).as(event.name()).isBetween(Rational.of(zero), Rational.of(zero + r.range().frames()));
            assertThat(event.to()).as(event.name()).isBetween(Rational.of(zero), Rational.of(zero + r.range().frames()));
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aRenderThatBeginsLaterThanItsClipIsNamedFromItsFirstFrame(String format) {
        receive(cut(new Random(1), false));
        Clip clip = master.main().clips().get(2);
        Clip longer = Clip.ofShot(clip.id(), clip.shotId(), clip.record(), clip.from().plus(-6));
        List<Clip> clips = new ArrayList<>(master.main().clips());
        clips.set(2, longer);
        master = master.withMain(clips);
        long frames = clip.record().length() - 6;
        RenderRange range = new RenderRange(clip.from(), Rational.ONE, frames);
        HandBack.HandedBack back = handBack(List.of(rendered(1, clip.shotId(), range)), HandBack.Rest.BOARD);
        Event named = through(format, back.cut()).tracks().get(0).events().stream()
                .filter(e -> e.name().equalsIgnoreCase("sh0030_v001")).findFirst().orElseThrow();
        assertThat(named.record()).isEqualTo(clip.record().withIn(clip.record().in() + 6));
        assertThat(named.from()).isEqualTo(Rational.of(range.startTimecode()));
        assertThat(back.remarks()).extracting(Remark::text).anyMatch(t -> t.contains("sh0030_v001 covers " + frames + " of "
                + (frames + 6) + " frames; the rest is the edit room's own source"));
        assertThat(named.comments()).singleElement().asString().endsWith("sh0030_v001 covers " + frames + " of " + (frames + 6)
                + " frames");
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "otio"})
    void aStaleRenderIsNamedAndSaid(String format) {
        receive(cut(new Random(1), false));
        Clip clip = master.main().clips().get(0);
        FinishedRender render = rendered(1, clip.shotId(), RenderRange.of(clip, clip.record()));
        HandBack.HandedBack back = handBack(ShotRenders.of(List.of(render), Grade::counts)
                .changed(Map.of(render.id(), List.of("camera"))), HandBack.Rest.BOARD);
        assertThat(back.tally()).isEqualTo(new HandBack.Tally(master.main().clips().size(), 0, 0, 1,
                master.main().clips().size() - 1));
        assertThat(back.remarks()).extracting(Remark::text).contains("sh0010_v001 is stale: camera changed");
        assertThat(through(format, back.cut()).tracks().get(0).events().get(0).comments())
                .containsExactly("sh0010_v001 is stale: camera changed");
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aKeyedClipOfAnUpperTrackComesBackWithItsFrames(String format) {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            receive(cut(random, false));
            keyAbove(random);
            Cut back = handBack(seed % 2 == 0 ? List.of() : renders(random), HandBack.Rest.BOARD).cut();
            List<Event> read = through(format, back).tracks().get(0).events();
            String what = format + ", seed " + seed;
            List<Event> written = back.tracks().get(0).events();
            assertThat(read).as(what).extracting(Event::record).containsExactlyElementsOf(written.stream().map(Event::record).toList());
            for (int i = 0; i < read.size(); i++) {
                assertThat(read.get(i).from().minus(written.get(i).from()).abs()).as(what + ", event " + i)
                        .isLessThan(Rational.ONE);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aSlateIsATitleThatIsNoNewShotWhenItComesBack(String format) {
        receive(cut(new Random(1), false));
        List<Clip> clips = new ArrayList<>(master.main().clips());
        Clip clip = clips.get(3).withTransitions(null, null);
        clips.set(3, clip.showing(new Clip.Content.Slate("scene missing"), Rational.ZERO));
        clips.replaceAll(s -> s.withTransitions(null, null));
        master = master.withMain(clips);
        Cut back = handBack(List.of(), HandBack.Rest.BOARD).cut();
        Cut read = through(format, back);
        assertThat(read.tracks().get(0).events()).filteredOn(e -> e.record().equals(clip.record())).singleElement()
                .satisfies(e -> assertThat(e.name()).isEqualToIgnoringCase("scene missing"))
                .satisfies(e -> assertThat(e.kind() == Event.Kind.GENERATOR).isEqualTo(!format.equals("edl")));
        assertThat(against(read, List.of()).changes().changes().stream().map(ChangeWords::what)).as(format).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aShotSeenTwiceOfWhichARenderHasOnePlaceComesBackWithoutChanges(String format) {
        for (int seed = 0; seed < 20; seed++) {
            receive(cut(new Random(seed), seed % 3 == 2));
            master = master.withMain(master.main().clips().stream().map(s -> s.withTransitions(null, null)).toList());
            Clip clip = master.main().clips().get(2);
            master = Arranging.split(master, new Place(0, 2), clip.record().in() + 25);
            master = Arranging.move(master, new Place(0, 3), master.end());
            Clip first = master.main().clips().get(2);
            List<FinishedRender> renders = List.of(rendered(1, first.shotId(),
                    RenderRange.of(first, first.record())));
            Cut read = through(format, handBack(renders, HandBack.Rest.BOARD).cut());
            assertThat(against(read, renders).changes().changes().stream().map(c -> c.kind() + " " + ChangeWords.what(c)))
                    .as(format + ", seed " + seed).isEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aClipThatIsSwitchedOffIsNoChange(String format) {
        receive(cut(new Random(1), false));
        master = master.withMain(master.main().clips().stream().map(s -> s.withTransitions(null, null)).toList());
        // a transition into what is switched off is none, and keys that change nothing are no retime
        master = Fades.dissolve(master, new Place(0, 3), 8, Transition.Curve.EVEN);
        master = Retiming.key(master, new Place(0, 5), master.main().clips().get(5).record().in() + 9);
        master = Arranging.enable(master, new Place(0, 3), false);
        Cut read = through(format, handBack(List.of(), HandBack.Rest.BOARD).cut());
        assertThat(against(read, List.of()).changes().changes()).isEmpty();
        master = Arranging.enable(master, new Place(0, 3), true);
        assertThat(against(read, List.of()).changes().changes()).extracting(c -> c.kind().name()).containsExactly("OMITTED");
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aClipThatWasOnlySplitIsNoChange(String format) {
        for (int seed = 0; seed < 12; seed++) {
            receive(cut(new Random(seed), seed % 3 == 2));
            for (int i = 4; i >= 2; i--) {
                FrameRange record = master.main().clips().get(i).record();
                master = Arranging.split(master, new Place(0, i), record.in() + record.length() / 2);
            }
            List<FinishedRender> renders = seed % 2 == 0 ? List.of() : renders(new Random(seed));
            Cut read = through(format, handBack(renders, HandBack.Rest.BOARD).cut());
            assertThat(against(read, renders).changes().changes().stream().map(c -> c.kind() + " " + ChangeWords.what(c)))
                    .as(format + ", seed " + seed).isEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void aDaysEditsComeBackWithoutChanges(String format) {
        StringBuilder wrong = new StringBuilder();
        for (int seed = 0; seed < 64; seed++) {
            receive(cut(new Random(seed), seed % 3 == 2));
            List<String> done = new ArrayList<>();
            master = EditedMaster.of(master, new Random(seed), 12, done);
            List<FinishedRender> renders = seed % 2 == 0 ? List.of() : renders(new Random(seed));
            Cut back = handBack(renders, HandBack.Rest.BOARD).cut();
            if (format.equals("edl") && Formats.writer(format).write(back, WriteOptions.DEFAULT).remarks().stream()
                    .anyMatch(r -> r.text().contains("does not lie in its middle"))) {
                continue;
            }
            Cut read = through(format, back);
            List<String> changes = against(read, renders).changes().changes().stream().map(c -> c.name() + " " + c.oldRecord() + " "
                    + c.kind() + " " + ChangeWords.what(c)).toList();
            if (!changes.isEmpty()) {
                wrong.append(seed).append(": ").append(changes).append("\n");
            }
        }
        assertThat(wrong.toString()).isEmpty();
    }

    /** Copies a clip above, keys its speed, slides, trims and slips it by one, and lays it down again. */
    private void keyAbove(Random random) {
        int index = 1 + random.nextInt(master.main().clips().size() - 2);
        master = TrackEdits.copyUp(master, new Place(0, index));
        Place above = new Place(master.tracks().size() - 1, 0);
        FrameRange record = above.in(master).record();
        master = Retiming.key(master, above, record.in() + 7 + random.nextInt(20));
        long key = record.in() + 31 + random.nextInt(8);
        master = Retiming.key(master, above, key);
        master = Retiming.moveKey(master, above, key, Rational.of(random.nextInt(40) - 20));
        master = Retiming.easeKey(master, above, key, RetimeInterpolation.values()[random.nextInt(3)]);
        master = Trims.slide(master, above, 1);
        master = Trims.tail(master, above, -1, Following.STAYS);
        master = Trims.slip(master, above, Rational.ONE);
        master = TrackEdits.layDown(master, List.of(above));
    }

    private HandBack.HandedBack handBack(List<FinishedRender> renders, HandBack.Rest rest) {
        return handBack(ShotRenders.of(renders, Grade::counts), rest);
    }

    private HandBack.HandedBack handBack(ShotRenders renders, HandBack.Rest rest) {
        Map<Long, HandBack.KnownShot> known = new HashMap<>();
        shots.forEach((id, shot) -> known.put(id, new HandBack.KnownShot(shot.code(), shot.anchor(), sources.get(shot.anchor().key()))));
        return HandBack.of(master, id -> null, renders, known, rest, List.of(), MARKS);
    }

    private Turnover against(Cut cut, List<FinishedRender> renders) {
        Origins origins = new Origins();
        renders.forEach(r -> origins.render(r.name(), r.shotId(), r.range()));
        return Turnover.of(master, id -> null, shots, CutClips.joined(cut, seam -> false), origins, new Turnover.Sources() {
            @Override
            public Source named(String identity) {
                return sources.get(identity);
            }

            @Override
            public Boolean areSame(String older, String newer) {
                return null;
            }
        }, 8, (a, b) -> false);
    }

    private void receive(Cut cut) {
        FirstMaster.MasterWithShots made = FirstMaster.of(cut, Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT)), 8);
        master = made.master();
        shots.clear();
        made.shots().forEach(s -> shots.put(s.id(), s));
        cut.tracks().get(0).events().forEach(e -> sources.put(e.source().identity(), e.source()));
    }

    /** None, whole, too short at either end, longer, in two halves, and at another speed. */
    private List<FinishedRender> renders(Random random) {
        List<FinishedRender> renders = new ArrayList<>();
        List<Clip> clips = master.main().clips();
        for (int i = 0; i < clips.size(); i++) {
            Clip clip = clips.get(i);
            FrameRange seen = clip.seen(i + 1 < clips.size() ? clips.get(i + 1) : null);
            RenderRange whole = RenderRange.of(clip, seen);
            long less = Math.min(1 + random.nextInt(30), whole.frames() - 1);
            RenderRange range = switch (random.nextInt(6)) {
                case 0 -> whole;
                case 1 -> new RenderRange(whole.from().plus(less), Rational.ONE, whole.frames() - less);
                case 2 -> new RenderRange(whole.from(), Rational.ONE, whole.frames() - less);
                case 3 -> new RenderRange(whole.from().plus(-less), Rational.ONE, whole.frames() + 2 * less);
                case 4 -> new RenderRange(whole.from(), Rational.of(1, 2), whole.frames());
                default -> i % 2 == 0 || whole.frames() < 2 ? null : whole.part(0, whole.frames() / 2);
            };
            if (range != null && range.frames() == whole.frames() / 2 && range.from().equals(whole.from())) {
                renders.add(rendered(renders.size() + 1, clip.shotId(), whole.part(range.frames(), whole.frames() - range.frames())));
            }
            if (range != null) {
                renders.add(rendered(renders.size() + 1, clip.shotId(), range));
            }
        }
        return renders;
    }

    private FinishedRender rendered(int version, long shot, RenderRange range) {
        RenderName name = new RenderName(shots.get(shot).code(), version);
        return new FinishedRender(shot * 1000 + version, shot, name, Grade.DRAFT, name + ".mp4", range, 0);
    }

    private static Cut cut(Random random, boolean stills) {
        List<Event> events = new ArrayList<>();
        List<freshsplice.core.cut.Transition> transitions = new ArrayList<>();
        long at = 86400;
        for (int i = 0; i < 8; i++) {
            FrameRange record = FrameRange.ofLength(at, 50 + random.nextInt(50));
            String name = "board_" + i;
            Source source = new Source(name, "LOW" + i, "/cut/" + name + (stills ? ".png" : ".mov"), FrameRate.FPS_24, 0L, 9000L);
            Rational speed = random.nextInt(4) == 0 && !stills ? Rational.of(1, 2) : Rational.ONE;
            Event before = events.isEmpty() ? null : events.get(i - 1);
            if (before != null && random.nextInt(3) == 0) {
                FrameRange over = FrameRange.ofLength(at - 4, 8);
                transitions.add(freshsplice.core.cut.Transition.centred(freshsplice.core.cut.Transition.Kind.DISSOLVE, over, null));
                events.set(i - 1, before.over(before.record().withOut(over.out())));
                events.add(Event.clip(null, name, record.withIn(over.in()), source, TimeMap.constant(record.withIn(over.in()),
                        Rational.of(2000), speed)));
            } else {
                events.add(Event.clip(null, name, record, source, TimeMap.constant(record, Rational.of(2000), speed)));
            }
            at = record.out();
        }
        return new Cut("low_water", FrameRate.FPS_24, false, FrameRange.of(86400, at),
                List.of(new Track(Track.Kind.PICTURE, "V1", true, events, transitions)), List.of());
    }

    private static Cut through(String format, Cut cut) {
        byte[] bytes = Formats.writer(format).write(cut, WriteOptions.DEFAULT).bytes();
        String name = "back." + (format.equals("xmeml") ? "xml" : format);
        return Formats.read(new InputFile(name, bytes), ReadOptions.at(FrameRate.FPS_24)).cuts().get(0);
    }
}
