package freshsplice.core.changes;

import freshsplice.core.identity.SameSources;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;

/**
 * Which shot frames a clip of a cut shows, told by the source that the shot was made from.
 *
 * @param from  exact shot frame at the clip's cut
 * @param speed shot frames per record frame; the mean where it changes
 * @param retimeKeys where its speed changes, counted from the clip's cut; empty for an even one
 */
record ShotTime(Rational from, Rational speed, List<RetimeKey> retimeKeys) {
    /**
     * @param time   record frame to source position, as the clip's own cut counts
     * @param link   how the clip's source is counted in the anchor's; null for the same
     * @param anchor one that tells frames
     */
    static ShotTime of(TimeMap time, FrameRange edge, SameSources.Link link, Shot.Anchor anchor) {
        UnaryOperator<Rational> frame = s -> anchor.frameAt(link == null ? s : link.position(s));
        TimeMap plain = time.withoutStraightKeys();
        // an even source keeps straight keys as they are; eased ones, and keys over keys, are told at each frame
        TimeMap shot = anchor.course() == null && !plain.smooth() ? new TimeMap(plain.keys().stream().map(k -> new TimeMap.Key(k.record(), frame.apply(k.source()))).toList(), false)
                : new TimeMap(LongStream.rangeClosed(edge.in(), edge.out()).mapToObj(r -> new TimeMap.Key(r, frame.apply(plain.at(r)))).toList(), false)
                        .withoutStraightKeys();
        Rational from = shot.at(edge.in());
        Rational speed = shot.at(edge.out()).minus(from).dividedBy(Rational.of(edge.length()));
        return new ShotTime(from, speed, shot.slope().isPresent() ? List.of() : RetimeKey.of(shot, edge.in()));
    }
}
