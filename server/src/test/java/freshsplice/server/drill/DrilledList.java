package freshsplice.server.drill;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.server.Material;
import java.util.ArrayList;
import java.util.List;

/** A cut as an edit room sends it, in any format, with a keyed, a reversed or a quicker piece now and then. */
final class DrilledList {
    private static final long START = 86_400;

    private DrilledList() {
    }

    static byte[] of(String title, List<Material.Clip> clips, String format, Dice dice) {
        List<Event> events = new ArrayList<>();
        long at = START;
        for (Material.Clip clip : clips) {
            FrameRange record = FrameRange.ofLength(at, clip.length());
            events.add(Event.clip(null, clip.name(), record, Source.named(clip.name(), "NM01", FrameRate.FPS_24), time(record, clip, dice)));
            at = record.out();
        }
        Cut cut = new Cut(title, FrameRate.FPS_24, false, FrameRange.of(START, at), List.of(new Lane(Lane.Kind.PICTURE, "V1", true, events, List.of())), List.of());
        return Formats.writer(format).write(cut, new WriteOptions(null, dice.once(4), 0)).bytes();
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
