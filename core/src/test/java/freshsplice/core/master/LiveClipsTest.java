package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.LongFunction;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class LiveClipsTest {
    private static String exact(Clip clip, Rational position) {
        return clip.shotId() + ":" + position;
    }

    private static List<String> byChain(Master master, LongFunction<Master> masters) {
        FrameChain chain = new FrameChain(masters);
        List<String> seen = new ArrayList<>();
        for (long f = master.start() - 20; f < master.end() + 20; f++) {
            List<FrameChain.Layer> layers = chain.at(master, f);
            seen.add(layers.isEmpty() ? "-" : exact(layers.get(0).clip(), layers.get(0).position()));
        }
        return seen;
    }

    private static List<String> byClips(Master master, LongFunction<Master> masters) {
        Map<Long, String> at = new HashMap<>();
        long end = Long.MIN_VALUE;
        for (LiveClips.Live live : new LiveClips(masters).of(master)) {
            assertThat(live.clip().record().in()).as("clips in order").isGreaterThanOrEqualTo(end);
            end = live.clip().record().out();
            for (long f = live.clip().record().in(); f < end; f++) {
                at.put(f, exact(live.clip(), live.clip().at(f)));
            }
        }
        List<String> seen = new ArrayList<>();
        for (long f = master.start() - 20; f < master.end() + 20; f++) {
            seen.add(at.getOrDefault(f, "-"));
        }
        return seen;
    }

    /** Masters 1 to 3; each nests those before it, at any speed, straight or keyed. */
    private static Map<Long, Master> random(Random random) {
        Map<Long, Master> masters = new HashMap<>();
        for (long id = 1; id <= 3; id++) {
            List<Track> tracks = new ArrayList<>();
            for (int l = 0; l < 2; l++) {
                List<Clip> clips = new ArrayList<>();
                long at = 100 + random.nextInt(10);
                for (int i = 0; i < 6; i++) {
                    long length = 2 + random.nextInt(30);
                    boolean nests = id > 1 && random.nextInt(3) == 0;
                    Rational speed = Rational.of(random.nextInt(7) - 3, 1 + random.nextInt(3));
                    Clip even = new Clip(id * 100 + l * 10 + i, nests
                            ? new Clip.Content.OfMaster(1 + random.nextInt((int) id - 1))
                            : new Clip.Content.OfShot(1 + random.nextInt(5)), FrameRange.ofLength(at, length),
                            Rational.of(100 + random.nextInt(60), 1 + random.nextInt(2)), speed,
                            random.nextInt(6) > 0, null, null);
                    clips.add(random.nextInt(5) > 0 ? even : even.withRetimeKeys(even.record(), List.of(
                            new RetimeKey(Rational.ZERO, Rational.of(110), RetimeInterpolation.EASED),
                            new RetimeKey(Rational.of(length), Rational.of(100 + random.nextInt(80)), RetimeInterpolation.STRAIGHT))));
                    at += length + random.nextInt(8);
                }
                tracks.add(Track.of(l, "Track " + l, random.nextInt(5) > 0, false, clips));
            }
            masters.put(id, new Master(id, "m" + id, FrameRate.FPS_24, false, 100, tracks));
        }
        return masters;
    }

    @RepeatedTest(120)
    @DisplayName("the flattened master shows the very position that the chain says, at every frame")
    void sameAsTheChain(RepetitionInfo repetition) {
        Map<Long, Master> masters = random(new Random(repetition.getCurrentRepetition()));
        Master outer = masters.get(3L);
        assertThat(byClips(outer, masters::get)).isEqualTo(byChain(outer, masters::get));
    }

    @Test
    @DisplayName("a nest at half speed backwards, worked out by hand")
    void backwardsAtHalfSpeed() {
        // frames 10 to 20 of the inner master are shot 7 from 1001 on; backwards from inner frame 12 at one half:
        // 12, 11.5, 11, 10.5, 10, then 9.5, which is not there any more
        Master inner = new Master(1, "inner", FrameRate.FPS_24, false, 10, List.of(Track.of("Shots",
                List.of(Clip.ofShot(1, 7, FrameRange.of(10, 20), Rational.of(1001))))));
        Clip nest = new Clip(2, new Clip.Content.OfMaster(1), FrameRange.of(100, 108), Rational.of(12),
                Rational.of(-1, 2), true, null, null);
        Master outer = new Master(2, "outer", FrameRate.FPS_24, false, 100, List.of(Track.of("Shots", List.of(nest))));
        List<LiveClips.Live> live = new LiveClips(id -> inner).of(outer);
        assertThat(live).hasSize(1);
        Clip clip = live.get(0).clip();
        assertThat(clip.record()).isEqualTo(FrameRange.of(100, 105));
        assertThat(clip.from()).isEqualTo(Rational.of(1003));
        assertThat(clip.speed()).isEqualTo(Rational.of(-1, 2));
        assertThat(clip.at(103)).isEqualTo(Rational.of(2003, 2).plus(0));
        assertThat(live.get(0).outer()).isEqualTo(nest);
    }

    @Test
    @DisplayName("black that is put on a track hides what lies below, a gap does not")
    void blackHides() {
        Clip below = Clip.ofShot(1, 1, FrameRange.of(0, 30), Rational.of(1001));
        Clip black = new Clip(2, new Clip.Content.Black(), FrameRange.of(10, 20), Rational.ZERO, Rational.ONE,
                true, null, null);
        Master master = new Master(1, "m", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", List.of(below)),
                Track.of("Above", List.of(black))));
        assertThat(new LiveClips(id -> null).of(master)).extracting(l -> l.clip().record(), LiveClips.Live::track)
                .containsExactly(tuple(FrameRange.of(0, 10), 0),
                        tuple(FrameRange.of(10, 20), 1),
                        tuple(FrameRange.of(20, 30), 0));
        assertThat(FrameChain.flat().at(master, 15).get(0).clip().content()).isEqualTo(new Clip.Content.Black());
    }
}
