package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.format.Grain;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Which source position an item shows at a record frame. {@code in} and {@code out} count frames of the clip as it is
 * played, at the item's own rate: without the time-remap filter those of the source, under it those of the retimed
 * clip, so that the first source frame is {@code in} times the speed (common practice; files of two writers agree).
 */
final class XmemlSpeed {
    private final XmemlItem item;
    private final FrameRange record;
    private final Rational base;
    private final Rational perItemFrame;
    private final Rational itemFramesPerRecordFrame;
    private final List<Remark> remarks;

    /**
     * @param base                     source position of its media's first frame
     * @param perItemFrame             source frames in one frame at the item's own rate
     * @param itemFramesPerRecordFrame frames at the item's own rate in one record frame
     */
    XmemlSpeed(XmemlItem item, FrameRange record, Rational base, Rational perItemFrame,
               Rational itemFramesPerRecordFrame, List<Remark> remarks) {
        this.item = item;
        this.record = record;
        this.base = base;
        this.perItemFrame = perItemFrame;
        this.itemFramesPerRecordFrame = itemFramesPerRecordFrame;
        this.remarks = remarks;
    }

    TimeMap map() {
        long in = item.in() == null || item.in() < 0 ? 0 : item.in();
        if (item.still()) {
            return line(Rational.of(in), Rational.ZERO);
        }
        if (item.remap() == null) {
            checkLength();
            return line(Rational.of(in), Rational.ONE);
        }
        List<XmlNode> keys = keyframes("graphdict");
        boolean keyed = !keys.isEmpty() && isOn(parameter("variablespeed"));
        return keyed ? keyed(in, keys) : constant(in);
    }

    /** @param from  item frame at the first record frame; @param speed item frames for each of normal speed */
    private TimeMap line(Rational from, Rational speed) {
        return TimeMap.constant(record, base.plus(from.times(perItemFrame)),
                itemFramesPerRecordFrame.times(perItemFrame).times(speed));
    }

    private TimeMap constant(long in) {
        Rational speed = Rational.ONE;
        XmlNode value = parameter("speed");
        if (value != null) {
            try {
                speed = Grain.speed(Double.parseDouble(value.textOf("value")) / 100);
            } catch (IllegalArgumentException | ArithmeticException e) {
                remarks.add(Remark.loss(item.place(), "The speed \"" + value.textOf("value")
                        + "\" is no number; read at normal speed"));
            }
        }
        boolean backwards = isOn(parameter("reverse")) != (speed.signum() < 0);
        speed = speed.abs();
        checkLength();
        Rational first = speed.isZero() ? Rational.of(in) : speed.times(in);
        if (!backwards) {
            return line(first, speed);
        }
        Rational span = itemFramesPerRecordFrame.times(record.length()).times(speed);
        remarks.add(Remark.doubt(item.place(), "It plays backwards: read as the frames that its in and out say, the last of them first. "
                + "Some programs count in and out in the clip turned round; turn reverse off and look at its in for that reading"));
        return line(first.minus(Rational.ONE).plus(span), speed.negate());
    }

    /** In and out must be as far apart as the item is long on the record; the record decides. */
    private void checkLength() {
        if (item.in() == null || item.out() == null || item.in() < 0 || item.out() < 0) {
            return;
        }
        Rational wanted = itemFramesPerRecordFrame.times(record.length());
        Rational off = wanted.minus(Rational.of(item.out() - item.in())).abs();
        boolean named = item.file() != null || item.fileId() != null || item.remap() != null;
        if (off.compareTo(Rational.ONE) >= 0 && named) {
            remarks.add(Remark.doubt(item.place(), "Its in and out are " + (item.out() - item.in())
                    + " frames apart and its place takes " + wanted
                    + "; its in, its place and its speed are taken, its out is not"));
        }
    }

    /** Keys of clip frame and source frame. Clip frames count from the media's first frame, or from the item's. */
    private TimeMap keyed(long in, List<XmlNode> nodes) {
        List<long[]> keys = new ArrayList<>();
        boolean smooth = false;
        for (XmlNode node : nodes) {
            Long when = node.longOf("when");
            Long value = node.longOf("value");
            if (when != null && value != null && (keys.isEmpty() || when > keys.get(keys.size() - 1)[0])) {
                keys.add(new long[] {when, value});
            }
            smooth |= isCurve(node.textOf("interpolation", "name"));
        }
        if (keys.size() < 2) {
            remarks.add(Remark.loss(item.place(), "Its speed has no two keys that rise; read at normal speed"));
            return line(Rational.of(in), Rational.ONE);
        }
        if (smooth) {
            remarks.add(Remark.doubt(item.place(), "Its speed is eased between its keys by a curve; read as eased "
                    + "evenly at both ends"));
        }
        boolean fromItem = in != 0 && keys.get(0)[0] == 0 && keys.get(0)[1] == in;
        long zero = fromItem ? 0 : in;
        List<TimeMap.Key> map = new ArrayList<>();
        for (long[] key : keys) {
            long at = record.in() + Rational.of(key[0] - zero).dividedBy(itemFramesPerRecordFrame).round();
            if (map.isEmpty() || at > map.get(map.size() - 1).record()) {
                map.add(new TimeMap.Key(at, base.plus(Rational.of(key[1]).times(perItemFrame))));
            }
        }
        return map.size() < 2 ? line(Rational.of(in), Rational.ONE) : new TimeMap(map, smooth).over(record);
    }

    private static boolean isCurve(String interpolation) {
        String name = interpolation.toLowerCase(Locale.ROOT);
        return name.contains("bezier") || name.contains("curve") || name.contains("ease");
    }

    private XmlNode parameter(String id) {
        return item.remap().all("parameter").stream()
                .filter(p -> p.textOf("parameterid").equalsIgnoreCase(id)).findFirst().orElse(null);
    }

    private List<XmlNode> keyframes(String id) {
        XmlNode parameter = parameter(id);
        return parameter == null ? List.of() : parameter.all("keyframe");
    }

    private static boolean isOn(XmlNode parameter) {
        return parameter != null && (parameter.flag(false, "value"));
    }
}
