package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Masters for tests, and what is seen in them. */
final class Masters {
    private Masters() {
    }

    /** Clips of so many frames one after another, each of a shot of its own, from shot frame 1001 on. */
    static Master of(int... lengths) {
        List<Clip> clips = new ArrayList<>();
        long at = 1000;
        for (int i = 0; i < lengths.length; i++) {
            clips.add(Clip.ofShot(i + 1L, i + 1L, FrameRange.ofLength(at, lengths[i]), Rational.of(1001)));
            at += lengths[i];
        }
        return with(List.of(Track.of("Shots", clips)));
    }

    static Master with(List<Track> tracks) {
        return new Master(1, "Test", FrameRate.FPS_24, false, 1000, tracks);
    }

    /** Two tracks of clips with gaps, at odd speeds. */
    static Master random(Random random) {
        return random(random, 2);
    }

    static Master random(Random random, int count) {
        List<Track> tracks = new ArrayList<>();
        long id = 1;
        for (int track = 0; track < count; track++) {
            List<Clip> clips = new ArrayList<>();
            long at = 1000 + random.nextInt(20);
            for (int i = 0; i < 12; i++) {
                long length = 1 + random.nextInt(40);
                Rational speed = Rational.of(random.nextInt(7) - 3, 1 + random.nextInt(3));
                Clip even = new Clip(id, new Clip.Content.OfShot(1 + random.nextInt(6)),
                        FrameRange.ofLength(at, length), Rational.of(1001 + random.nextInt(100)), speed, true, null, null);
                clips.add(random.nextInt(4) == 0 && length > 2 ? even.withRetimeKeys(even.record(), retimeKeys(random, length)) : even);
                id++;
                at += length + (random.nextInt(3) == 0 ? 1 + random.nextInt(10) : 0);
            }
            tracks.add(Track.of("Track " + track, clips));
        }
        return with(tracks);
    }

    /** Keys of a speed at random frames, some beyond the ends as after a trim, with every easing. */
    static List<RetimeKey> retimeKeys(Random random, long length) {
        List<RetimeKey> retimeKeys = new ArrayList<>();
        long at = random.nextInt(4) - 2;
        for (int i = 0; i < 2 + random.nextInt(3); i++) {
            retimeKeys.add(new RetimeKey(Rational.of(at), Rational.of(1001 + random.nextInt(60)),
                    RetimeInterpolation.values()[random.nextInt(3)]));
            at += 1 + random.nextInt((int) length);
        }
        return retimeKeys;
    }

    /** Any clip of a master. */
    static Place any(Master master, Random random) {
        int track = random.nextInt(master.tracks().size());
        return new Place(track, random.nextInt(master.tracks().get(track).clips().size()));
    }

    /** What is seen at each frame of a track by itself: the shot and its frame; empty for black. */
    static List<String> seen(Master master, int track, long from, long to) {
        Master alone = with(List.of(master.tracks().get(track)));
        List<String> seen = new ArrayList<>();
        for (long frame = from; frame < to; frame++) {
            StringBuilder text = new StringBuilder();
            for (FrameChain.Layer layer : FrameChain.flat().at(alone, frame)) {
                text.append(layer.shotId()).append(':').append(layer.frame()).append(' ');
            }
            seen.add(text.toString().strip());
        }
        return seen;
    }

    static List<String> seen(Master master, int track) {
        return seen(master, track, 900, 2500);
    }
}
