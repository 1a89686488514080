package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.changes.Change;
import freshsplice.core.changes.ChangeKind;
import freshsplice.core.changes.ChangeList;
import freshsplice.core.changes.CutChanges;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The first cut in one format, the next in another: every known edit is found and nothing else is reported, whatever names
 * each side tells of a source.
 */
class NewerCutInAnotherFormatTest {
    private static final int CUTS = 40;
    private static final List<String> FORMATS = List.of("edl", "xmeml", "aaf", "otio");

    /** What one side's files tell of a source. */
    private enum Told {
        ALL, NO_FILE, NO_REEL, FILE_WITHOUT_ENDING, OTHER_FOLDER, CLIP_NAMED_AS_FILE, NO_CLIP_NAME
    }

    private record Clip(int source, long from, long length, Rational speed) {
    }

    static Stream<Arguments> pairs() {
        return FORMATS.stream().flatMap(a -> FORMATS.stream().filter(b -> !a.equals(b)).map(b -> Arguments.of(a, b)));
    }

    @ParameterizedTest(name = "{0}, then {1}")
    @MethodSource("pairs")
    void everyKnownEditIsFoundAndNothingElse(String first, String second) {
        for (int seed = 0; seed < CUTS; seed++) {
            Random random = new Random(seed);
            boolean stills = seed % 4 == 3;
            List<Clip> before = clips(random, 8 + random.nextInt(10));
            List<Clip> after = edited(before, random);
            Told oldTold = Told.values()[random.nextInt(Told.values().length)];
            Told newTold = Told.values()[random.nextInt(Told.values().length)];
            WriteOptions options = new WriteOptions(null, random.nextBoolean(), 0);
            Cut older = through(first, cut(before, oldTold, stills), options);
            Cut newer = through(second, cut(after, newTold, stills), options);
            String what = "seed " + seed + ", " + oldTold + " then " + newTold + ", " + options;
            List<String> expected = told(CutChanges.between(cut(before, Told.ALL, stills), cut(after, Told.ALL, stills), 8));
            assertThat(told(CutChanges.between(older, newer, 8))).as(what).isEqualTo(expected);
        }
    }

    static Stream<Arguments> foreign() {
        List<String> endings = List.of("edl", "xml", "otio", "aaf");
        return endings.stream().flatMap(a -> endings.stream().map(b -> Arguments.of(a, b)));
    }

    /** Both sides written by OpenTimelineIO 0.18.1 and its adapters: scripts/cross-check/make_newer_cuts.py says the edits. */
    @ParameterizedTest(name = "{0}, then {1}")
    @MethodSource("foreign")
    void cutsOfAnotherLibrary(String first, String second) {
        ChangeList list = CutChanges.between(library("older." + first), library("newer." + second), 8);
        assertThat(told(list)).containsExactly("trimmed 2 2 0 -7 0", "slipped 4 4 0 0 10", "omitted 6 -1 0 -61 0",
                "new -1 7 0 31 0", "replaced 9 9 0 0 0");
    }

    private static Cut library(String name) {
        InputFile file = InputFile.of(Path.of("src/test/resources/newer", name), ReadOptions.DEFAULT.limits());
        return Formats.read(file, ReadOptions.at(FrameRate.FPS_24)).cuts().get(0);
    }

    private static List<String> told(ChangeList list) {
        return list.changes().stream().filter(c -> c.kind() != ChangeKind.SHIFTED)
                .map(NewerCutInAnotherFormatTest::figures).toList();
    }

    private static String figures(Change c) {
        return c.kind().word() + " " + c.oldIndex() + " " + c.newIndex() + " " + c.head() + " " + c.tail() + " " + c.slip();
    }

    private static List<Clip> clips(Random random, int count) {
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Rational speed = random.nextInt(6) == 0 ? Rational.of(1, 2) : random.nextInt(8) == 0 ? Rational.of(6, 7) : Rational.ONE;
            // one source is used in two places now and then, far apart in it
            boolean again = i > 3 && random.nextInt(6) == 0;
            int source = again ? clips.get(i - 3).source : i;
            clips.add(new Clip(source, 87000 + (again ? 3000 : 0) + random.nextInt(200), 40 + random.nextInt(60), speed));
        }
        return clips;
    }

    private static List<Clip> edited(List<Clip> before, Random random) {
        List<Clip> after = new ArrayList<>(before);
        for (int i = 0; i < 3; i++) {
            int at = 1 + 2 * i % (after.size() - 2);
            Clip c = after.get(at);
            switch (random.nextInt(6)) {
                case 0 -> after.set(at, new Clip(c.source, c.from, c.length - 7, c.speed));
                case 1 -> after.set(at, new Clip(c.source, c.from + 10, c.length, c.speed));
                case 2 -> after.set(at, new Clip(c.source, c.from, c.length, c.speed.times(Rational.of(5, 4))));
                case 3 -> after.remove(at);
                case 4 -> after.add(at, new Clip(100 + i, 88000, 31, Rational.ONE));
                default -> after.set(at, new Clip(200 + i, 89000, c.length, Rational.ONE));
            }
        }
        return after;
    }

    private static Source source(int number, Told told, boolean still) {
        String ending = still ? ".png" : ".mov";
        String stem = "board_" + number + (number % 3 == 0 ? " wide é" : "");
        String reel = told == Told.NO_REEL ? null : "LowWaterReel" + number;
        String file = switch (told) {
            case NO_FILE -> null;
            case FILE_WITHOUT_ENDING -> "/cut/" + stem;
            case OTHER_FOLDER -> "D:/jobs/" + stem + ending;
            default -> "/cut/" + stem + ending;
        };
        String name = told == Told.CLIP_NAMED_AS_FILE ? stem + ending : told == Told.NO_CLIP_NAME ? "" : stem;
        return new Source(name, reel, file, FrameRate.FPS_24, 86400L, 9000L);
    }

    private static Cut cut(List<Clip> clips, Told told, boolean stills) {
        List<Event> events = new ArrayList<>();
        long at = 86400;
        for (Clip c : clips) {
            FrameRange record = FrameRange.ofLength(at, c.length);
            Source source = source(c.source, told, stills);
            events.add(Event.clip(null, source.name(), record, source, TimeMap.constant(record, Rational.of(c.from), c.speed)));
            at += c.length;
        }
        return new Cut("Cut", FrameRate.FPS_24, false, FrameRange.of(86400, at),
                List.of(new Track(Track.Kind.PICTURE, "V1", true, events, List.of())), List.of());
    }

    private static Cut through(String format, Cut cut, WriteOptions options) {
        WrittenFile written = Formats.writer(format).write(cut, options);
        String ending = format.equals("xmeml") ? "xml" : format;
        return Formats.read(new InputFile("cut." + ending, written.bytes()), ReadOptions.at(cut.rate())).cuts().get(0);
    }
}
