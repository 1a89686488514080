package freshsplice.server.drill;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.server.Material;
import java.util.ArrayList;
import java.util.List;

/** A cut as an edit room sends it, in any format, with a keyed, a reversed or a quicker clip, a title and sound now and then. */
final class DrilledList {
    private static final long START = 86_400;

    private DrilledList() {
    }

    static byte[] of(String title, List<Material.Clip> clips, String format, Dice dice) {
        List<Event> events = new ArrayList<>();
        long at = START;
        for (Material.Clip clip : clips) {
            if (!format.equals("edl") && dice.once(6)) {
                FrameRange record = FrameRange.ofLength(at, 2 + dice.below(20));
                events.add(new Event(null, Event.Kind.GENERATOR, dice.of("Text", "Bars", "Colour"), true, record, null, TimeMap.constant(record,
                        Rational.ZERO, Rational.ONE), null, List.of()).saying(dice.once(2) ? "card " + dice.below(4) : null));
                at = record.out();
            }
            FrameRange record = FrameRange.ofLength(at, clip.length());
            events.add(Event.clip(null, clip.name(), record, Source.named(clip.name(), "NM01", FrameRate.FPS_24), time(record, clip, dice)));
            at = record.out();
        }
        Cut cut = new Cut(title, FrameRate.FPS_24, false, FrameRange.of(START, at), tracks(events, at, dice), List.of());
        return Formats.writer(format).write(cut, new WriteOptions(null, dice.once(4), 0)).bytes();
    }

    private static List<Track> tracks(List<Event> picture, long end, Dice dice) {
        List<Track> tracks = new ArrayList<>(List.of(new Track(Track.Kind.PICTURE, "V1", true, picture, List.of())));
        if (dice.once(2)) {
            FrameRange first = FrameRange.of(START, START + 12 + dice.below(20));
            FrameRange second = FrameRange.of(first.out() + dice.below(5), Math.max(first.out() + 12, end));
            long fade = 1 + dice.below(6);
            tracks.add(new Track(Track.Kind.SOUND, "A1", true, List.of(sound("guide.wav", first, dice), sound("sea.wav", second, dice)),
                    dice.once(2) ? List.of() : List.of(new Transition(Transition.Kind.DISSOLVE, FrameRange.of(second.out() - fade, second.out()), second.out(), null))));
        }
        return tracks;
    }

    private static Event sound(String name, FrameRange record, Dice dice) {
        return Event.clip(null, name, record, Source.named(name, null, FrameRate.FPS_24), TimeMap.constant(record, Rational.of(dice.below(24)), Rational.ONE));
    }

    private static TimeMap time(FrameRange record, Material.Clip clip, Dice dice) {
        Rational from = Rational.of(clip.from());
        long length = record.length();
        return switch (dice.below(12)) {
            case 0 -> TimeMap.constant(record, from, Rational.of(2));
            case 1 -> TimeMap.constant(record, from.plus(length - 1), Rational.of(-1));
            case 2 -> length < 4 ? TimeMap.constant(record, from, Rational.ONE) : new TimeMap(List.of(new TimeMap.Key(record.in(), from),
                    new TimeMap.Key(record.in() + length / 2, from.plus(dice.between(-3, 12))), new TimeMap.Key(record.out(), from.plus(length))), false);
            default -> TimeMap.constant(record, from, Rational.ONE);
        };
    }
}
