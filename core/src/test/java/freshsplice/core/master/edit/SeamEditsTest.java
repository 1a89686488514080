package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SeamEditsTest {
    private static Master of(long... edges) {
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i + 1 < edges.length; i++) {
            clips.add(Clip.ofShot(i + 1, i + 1, FrameRange.of(edges[i], edges[i + 1]), Rational.of(1001)));
        }
        return new Master(1, "m", FrameRate.FPS_24, false, edges[0], List.of(Track.of("Shots", clips)));
    }

    @Test
    void aRollMovesOneSeamAndNothingElse() {
        Master rolled = SeamEdits.move(of(0, 10, 30, 50), 0, 10, 3);
        assertThat(rolled.main().clips()).extracting(Clip::record)
                .containsExactly(FrameRange.of(0, 13), FrameRange.of(13, 30), FrameRange.of(30, 50));
        assertThat(rolled.main().clips()).extracting(s -> s.from().floor()).containsExactly(1001L, 1004L, 1001L);
    }

    @Test
    void theOpenEndIsTrimmedAndLengthened() {
        assertThat(SeamEdits.move(of(0, 10), 0, 10, 5).end()).isEqualTo(15);
        Master head = SeamEdits.move(of(100, 110), 0, 100, -4);
        assertThat(head.main().clips().get(0).from()).isEqualTo(Rational.of(997));
    }

    @Test
    void refusesWhatWouldLeaveNoFrameAndSaysWhy() {
        Master master = of(0, 10, 30);
        assertThatThrownBy(() -> SeamEdits.move(master, 0, 10, -10)).hasMessageContaining("has 10 frames");
        assertThatThrownBy(() -> SeamEdits.move(master, 0, 10, 20)).hasMessageContaining("has 20 frames");
        assertThatThrownBy(() -> SeamEdits.move(master, 0, 11, 1)).hasMessageContaining("no seam at record frame 11");
        assertThatThrownBy(() -> SeamEdits.move(master, 0, 0, -1)).hasMessageContaining("cannot begin before");
    }

    /** An edit and its inverse are nothing; a roll keeps the length; each frame that stays shows what it showed. */
    @Test
    void lawsOfTheRoll() {
        Random random = new Random(8);
        FrameChain chain = FrameChain.flat();
        for (int round = 0; round < 500; round++) {
            long a = 5 + random.nextInt(40);
            long b = a + 5 + random.nextInt(40);
            Master master = of(0, a, b, b + 20);
            long delta = random.nextInt(9) - 4;
            Master moved = SeamEdits.move(master, 0, a, delta);
            assertThat(SeamEdits.move(moved, 0, a + delta, -delta)).isEqualTo(master);
            assertThat(moved.end()).isEqualTo(master.end());
            for (long f = 0; f < master.end(); f++) {
                boolean changedHands = f >= Math.min(a, a + delta) && f < Math.max(a, a + delta);
                if (!changedHands) {
                    assertThat(chain.at(moved, f).get(0).frame()).isEqualTo(chain.at(master, f).get(0).frame());
                }
                assertThat(chain.at(moved, f)).hasSize(1);
            }
        }
    }

    @Test
    void speedsAndNestingMultiplyAlongTheChain() {
        Master inner = of(0, 40);
        Clip nest = new Clip(9, new Clip.Content.OfMaster(1), FrameRange.of(100, 120), Rational.of(4),
                Rational.of(1, 2), true, null, null);
        Master outer = new Master(2, "outer", FrameRate.FPS_24, false, 100,
                List.of(Track.of("Shots", List.of(nest))));
        FrameChain chain = new FrameChain(id -> inner);
        assertThat(chain.at(outer, 103).get(0).frame()).isEqualTo(1001 + 5);
        assertThat(chain.at(outer, 119).get(0).frame()).isEqualTo(1001 + 13);
        assertThat(chain.at(outer, 120)).isEmpty();
    }

    @Test
    void aMasterNestedInItselfIsRefusedNotFollowedForever() {
        Clip nest = new Clip(9, new Clip.Content.OfMaster(2), FrameRange.of(0, 20), Rational.ZERO,
                Rational.ONE, true, null, null);
        Master loop = new Master(2, "loop", FrameRate.FPS_24, false, 0,
                List.of(Track.of("Shots", List.of(nest))));
        assertThatThrownBy(() -> new FrameChain(id -> loop).at(loop, 3)).hasMessageContaining("nested in itself");
    }

    @Test
    void clipsOfOneTrackNeverLieOverEachOther() {
        List<Clip> over = List.of(Clip.ofShot(1, 1, FrameRange.of(0, 10), Rational.ONE),
                Clip.ofShot(2, 2, FrameRange.of(9, 20), Rational.ONE));
        assertThatThrownBy(() -> Track.of("x", over)).hasMessageContaining("frame 9");
    }
}
