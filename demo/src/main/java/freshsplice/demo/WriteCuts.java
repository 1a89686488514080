package freshsplice.demo;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Writes the edit room's three versions of the cut. */
public final class WriteCuts {
    private static final long START = 86_400;
    private static final FrameRate RATE = FrameRate.FPS_24;

    /** A clip of the edit. */
    private record Clip(String board, long from, long frames, Rational speed) {
        Clip trimmed(long head, long tail) {
            return new Clip(board, from - head, frames + head + tail, speed);
        }
    }

    private WriteCuts() {
    }

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        List<Clip> clips = first();
        write(folder, 1, fragmented(clips));
        List<Clip> second = second(clips);
        write(folder, 2, second);
        write(folder, 3, third(second));
    }

    private static List<Clip> first() {
        List<Clip> clips = new ArrayList<>();
        for (LowWater.Shot shot : LowWater.shots()) {
            // each board has a minute of its own on the reel, and its clip begins two seconds into it
            long from = RATE.timecodeBase() * (10 * 3600L + clips.size() * 60L + 2);
            clips.add(new Clip(shot.board(), from, shot.frames(), Rational.ONE));
        }
        return clips;
    }

    /** The first cut comes with some boards in several clips, as edit rooms leave them. */
    private static List<Clip> fragmented(List<Clip> clips) {
        List<Clip> fragments = new ArrayList<>();
        for (Clip clip : clips) {
            long[] cuts = switch (clip.board()) {
                case "tide_pole" -> new long[] {24, 48, 70};
                case "parcel_cu" -> new long[] {40};
                case "causeway_wide" -> new long[] {88};
                case "wheel_cu" -> new long[] {68, 70, 73};
                case "causeway_long" -> new long[] {50, 101, 150};
                default -> new long[] {};
            };
            long at = 0;
            for (long cut : cuts) {
                fragments.add(new Clip(clip.board(), clip.from() + at, cut - at, clip.speed()));
                at = cut;
            }
            fragments.add(new Clip(clip.board(), clip.from() + at, clip.frames() - at, clip.speed()));
        }
        return fragments;
    }

    /** Trims, a slip, a shot gone, a new one, two in each other's place, one slower. */
    private static List<Clip> second(List<Clip> first) {
        List<Clip> clips = new ArrayList<>(first);
        clips.set(1, clips.get(1).trimmed(0, -18));
        clips.set(3, clips.get(3).trimmed(6, 14));
        Clip bicycle = clips.get(4);
        clips.set(4, new Clip(bicycle.board(), bicycle.from() + 7, bicycle.frames(), Rational.ONE));
        Clip run = clips.get(12);
        clips.set(12, new Clip(run.board(), run.from(), 188, Rational.of(4, 5)));
        Clip wave = clips.get(10);
        clips.set(10, clips.get(11));
        clips.set(11, wave);
        clips.add(9, new Clip("gulls_rise", RATE.timecodeBase() * (10 * 3600L + 15 * 60L), 44, Rational.ONE));
        clips.remove(6);
        return clips;
    }

    /** Closer to lock: two more trims, and the end held longer. */
    private static List<Clip> third(List<Clip> second) {
        List<Clip> clips = new ArrayList<>(second);
        clips.set(0, clips.get(0).trimmed(0, -12));
        clips.set(6, clips.get(6).trimmed(-5, 9));
        int last = clips.size() - 1;
        clips.set(last, clips.get(last).trimmed(0, 24));
        return clips;
    }

    private static void write(Path folder, int version, List<Clip> clips) throws IOException {
        List<Event> events = new ArrayList<>();
        long at = START;
        for (Clip clip : clips) {
            FrameRange record = FrameRange.ofLength(at, clip.frames());
            Source source = Source.named(clip.board(), "LW12", RATE);
            events.add(Event.clip(null, clip.board(), record, source,
                    TimeMap.constant(record, Rational.of(clip.from()), clip.speed())));
            at = record.out();
        }
        FrameRange all = FrameRange.of(START, at);
        List<Track> tracks = List.of(new Track(Track.Kind.PICTURE, "V1", true, events, List.of()),
                sound("A1", "wind_and_sea", all), sound("A2", "guide", all));
        Cut cut = new Cut(LowWater.TITLE, RATE, false, all, tracks,
                List.of(new Marker(FrameRange.ofLength(START + 552, 1), "gulls before she passes", "", "RED")));
        for (String format : List.of("edl", "xmeml", "aaf", "otio")) {
            String ending = format.equals("xmeml") ? "xml" : format;
            Files.write(folder.resolve("low_water_sc12_cut_0" + version + "." + ending),
                    Formats.writer(format).write(cut, WriteOptions.DEFAULT).bytes());
        }
    }

    private static Track sound(String track, String name, FrameRange record) {
        Source source = Source.named(name, "AX", RATE);
        return new Track(Track.Kind.SOUND, track, true, List.of(Event.clip(null, name, record, source,
                TimeMap.constant(record, Rational.ZERO, Rational.ONE))), List.of());
    }
}
