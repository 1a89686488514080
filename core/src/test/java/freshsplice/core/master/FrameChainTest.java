package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FrameChainTest {
    private static Transition dissolve(long before, long after) {
        return new Transition(Transition.Kind.DISSOLVE, before, after);
    }

    private static Clip shot(long shot, long in, long out, Transition head) {
        return Clip.ofShot(shot, shot, FrameRange.of(in, out), Rational.of(1001)).withTransitions(head, null);
    }

    private static Master master(long id, Clip... clips) {
        return new Master(id, "m" + id, FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", List.of(clips))));
    }

    /** How much of the picture each shot is, the layers laid over each other in order. */
    private static Map<Long, Double> shares(List<FrameChain.Layer> layers) {
        Map<Long, Double> shares = new HashMap<>();
        for (FrameChain.Layer layer : layers) {
            shares.replaceAll((shot, share) -> share * (1 - layer.weight()));
            shares.merge(layer.shotId(), layer.weight(), Double::sum);
        }
        return shares;
    }

    @Test
    @DisplayName("a dissolve within a side of another keeps its part of that side, on either side")
    void nested() {
        Master first = master(2, shot(1, 0, 20, null), shot(2, 20, 40, dissolve(6, 6)));
        Master second = master(3, shot(3, 0, 20, null), shot(4, 20, 40, dissolve(6, 6)));
        Clip one = new Clip(11, new Clip.Content.OfMaster(2), FrameRange.of(0, 20), Rational.ZERO, Rational.ONE, true, null, null);
        Clip two = new Clip(12, new Clip.Content.OfMaster(3), FrameRange.of(20, 40), Rational.of(18), Rational.ONE, true, dissolve(5, 5), null);
        Master outer = master(1, one, two);
        FrameChain chain = new FrameChain(Map.of(2L, first, 3L, second)::get);
        for (long frame = 15; frame < 25; frame++) {
            double s = dissolve(5, 5).share(frame - 15);
            long inFirst = frame;
            long inSecond = frame - 2;
            double t = inFirst < 14 ? 0 : inFirst >= 26 ? 1 : dissolve(6, 6).share(inFirst - 14);
            double u = inSecond < 14 ? 0 : inSecond >= 26 ? 1 : dissolve(6, 6).share(inSecond - 14);
            Map<Long, Double> shares = shares(chain.at(outer, frame));
            assertThat(shares.getOrDefault(1L, 0.0)).as("frame %d", frame).isCloseTo((1 - s) * (1 - t), within(1e-12));
            assertThat(shares.getOrDefault(2L, 0.0)).isCloseTo((1 - s) * t, within(1e-12));
            assertThat(shares.getOrDefault(3L, 0.0)).isCloseTo(s * (1 - u), within(1e-12));
            assertThat(shares.getOrDefault(4L, 0.0)).isCloseTo(s * u, within(1e-12));
        }
    }

    @Test
    @DisplayName("a plain dissolve is all of the one with the other over it, a fade is a part over black")
    void plain() {
        Master dissolved = master(1, shot(1, 0, 20, null), shot(2, 20, 40, dissolve(3, 4)));
        List<FrameChain.Layer> layers = FrameChain.flat().at(dissolved, 20);
        assertThat(layers.get(0).weight()).isEqualTo(1);
        assertThat(layers.get(1).weight()).isCloseTo(dissolve(3, 4).share(3), within(1e-12));
        Master faded = master(1, shot(1, 0, 20, dissolve(0, 4)));
        assertThat(FrameChain.flat().at(faded, 1)).singleElement().satisfies(l -> assertThat(l.weight()).isCloseTo(dissolve(0, 4).share(1), within(1e-12)));
        assertThat(FrameChain.flat().at(faded, 10)).singleElement().satisfies(l -> assertThat(l.weight()).isEqualTo(1));
    }
}
