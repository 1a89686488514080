package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Arithmetic worked out by hand: n frames of content over m record frames go at n/m. */
class RetimingTest {
    private static final Place FIRST = new Place(0, 0);

    @Test
    @DisplayName("an action that ends early: pulled back to its good frame, 228 frames, then stretched over 266, 86 %")
    void pulledBackAndStretched() {
        Master master = Masters.of(266, 40);
        Master pulled = Trims.tail(master, FIRST, -38, Following.STAYS);
        assertThat(pulled.main().clips().get(0).record().length()).isEqualTo(228);
        Master filled = Retiming.fillGap(pulled, FIRST);
        Clip clip = filled.main().clips().get(0);
        assertThat(clip.record()).isEqualTo(FrameRange.ofLength(1000, 266));
        assertThat(clip.speed()).isEqualTo(Rational.of(228, 266));
        assertThat(Math.round(clip.speed().toDouble() * 100)).isEqualTo(86);
        // 133 frames in, half of 228 is done: shot frame 1001 + 114
        assertThat(clip.at(1133)).isEqualTo(Rational.of(1115));
        assertThat(clip.to()).as("ends where the good action ends").isEqualTo(Rational.of(1229));
        assertThat(filled.main().clips().get(1)).isEqualTo(master.main().clips().get(1));
    }

    @Test
    @DisplayName("reversed twice is as before; reversed shows the same frames from the last to the first")
    void reverse() {
        Master master = Masters.of(10);
        Master reversed = Retiming.reverse(master, FIRST);
        assertThat(Masters.seen(reversed, 0, 1000, 1010).get(0)).isEqualTo("1:1010");
        assertThat(Masters.seen(reversed, 0, 1000, 1010).get(9)).isEqualTo("1:1001");
        assertThat(Retiming.reverse(reversed, FIRST)).isEqualTo(master);
    }

    @Test
    @DisplayName("held shows one frame throughout; double speed every second")
    void holdAndSpeed() {
        Master held = Retiming.hold(Masters.of(10), FIRST, 1004);
        assertThat(Masters.seen(held, 0, 1000, 1010)).containsOnly("1:1005");
        assertThat(Masters.seen(Retiming.speed(Masters.of(4), FIRST, Rational.of(2)), 0, 1000, 1004))
                .containsExactly("1:1001", "1:1003", "1:1005", "1:1007");
        assertThatThrownBy(() -> Retiming.speed(Masters.of(4), FIRST, Rational.of(500))).hasMessageContaining("at most");
        assertThatThrownBy(() -> Retiming.fill(Masters.of(4), FIRST, 1000, Following.MOVES_ALONG)).hasMessageContaining("at least one");
    }

    @RepeatedTest(40)
    @DisplayName("stretched and squeezed back is as before, at every speed")
    void inverse(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Master master = Masters.random(random, 1);
        Place place = Masters.any(master, random);
        FrameRange record = place.in(master).record();
        long out = record.in() + 1 + random.nextInt(60);
        Master there = Retiming.fill(master, place, out, Following.MOVES_ALONG);
        assertThat(Retiming.fill(there, place, record.out(), Following.MOVES_ALONG)).isEqualTo(master);
        assertThat(there.tracks().get(place.track()).clips().get(place.index()).to())
                .as("the same content end").isEqualTo(place.in(master).to());
    }

    @Test
    @DisplayName("a dissolve of 12 over the seam: each frame a mixture of both, in even steps")
    void dissolve() {
        Master master = Fades.head(Masters.of(20, 30), new Place(0, 1), new Transition(Transition.Kind.DISSOLVE, 6, 6));
        List<String> seen = Masters.seen(master, 0, 1013, 1027);
        assertThat(seen.get(0)).isEqualTo("1:1014");
        assertThat(seen.get(1)).as("the incoming runs in before its own head").isEqualTo("1:1015 2:995");
        assertThat(seen.get(12)).isEqualTo("1:1026 2:1006");
        assertThat(seen.get(13)).isEqualTo("2:1007");
        assertThat(Fades.head(master, new Place(0, 1), null)).isEqualTo(Masters.of(20, 30));
    }

    @Test
    @DisplayName("transitions that clips have no room for are refused with the frames that there are")
    void fades() {
        Master master = Masters.of(20, 30);
        assertThatThrownBy(() -> Fades.head(master, new Place(0, 1), new Transition(Transition.Kind.DISSOLVE, 20, 6)))
                .hasMessageContaining("has room for 19");
        assertThatThrownBy(() -> Fades.head(master, FIRST, new Transition(Transition.Kind.DISSOLVE, 1, 6)))
                .hasMessageContaining("From black");
        assertThatThrownBy(() -> Fades.toBlack(master, FIRST, 5, Transition.Curve.EVEN)).hasMessageContaining("Another clip meets");
        Master out = Fades.toBlack(master, new Place(0, 1), 5, Transition.Curve.EVEN);
        assertThat(out.main().clips().get(1).tail()).isEqualTo(new Transition(Transition.Kind.DISSOLVE, 5, 0));
        assertThat(Fades.toBlack(out, new Place(0, 1), 0, Transition.Curve.EVEN)).isEqualTo(master);
    }

    @Test
    @DisplayName("a key changes nothing by itself; moved it makes one side faster and the other slower, and can be taken away")
    void keys() {
        Master master = Masters.of(20, 30);
        Master keyed = Retiming.key(master, FIRST, 1010);
        assertThat(Masters.seen(keyed, 0)).isEqualTo(Masters.seen(master, 0));
        Master moved = Retiming.moveKey(keyed, FIRST, 1010, Rational.of(5));
        Clip clip = moved.main().clips().get(0);
        // 1001 to 1016 in ten frames, 1016 to 1021 in ten: 1.5 and 0.5 frames a frame
        assertThat(clip.at(1002)).isEqualTo(Rational.of(1004));
        assertThat(clip.at(1010)).isEqualTo(Rational.of(1016));
        assertThat(clip.at(1014)).isEqualTo(Rational.of(1018));
        assertThat(clip.record()).isEqualTo(master.main().clips().get(0).record());
        assertThat(Retiming.moveKey(moved, FIRST, 1010, Rational.of(-5))).isEqualTo(keyed);
        Master eased = Retiming.easeKey(moved, FIRST, 1000, RetimeInterpolation.EASED);
        assertThat(eased.main().clips().get(0).at(1005)).isEqualTo(Rational.of(2017, 2));
        Master gone = Retiming.removeKey(Retiming.removeKey(keyed, FIRST, 1010), FIRST, 1000);
        assertThat(gone).isEqualTo(master);
        assertThatThrownBy(() -> Retiming.key(keyed, FIRST, 1010)).hasMessageContaining("1010 already");
        assertThatThrownBy(() -> Retiming.moveKey(keyed, FIRST, 1011, Rational.ONE)).hasMessageContaining("no key at record frame 1011");
        assertThatThrownBy(() -> Retiming.key(master, FIRST, 1020)).hasMessageContaining("does not lie inside");
    }

    @Test
    @DisplayName("stretched and turned round, a changing speed keeps its course")
    void keyedStretchAndReverse() {
        Master keyed = Retiming.moveKey(Retiming.key(Masters.of(20, 30), FIRST, 1010), FIRST, 1010, Rational.of(5));
        Clip before = keyed.main().clips().get(0);
        Clip after = Retiming.fill(keyed, FIRST, 1040, Following.MOVES_ALONG).main().clips().get(0);
        for (long k = 0; k < 20; k++) {
            assertThat(after.at(1000 + 2 * k)).isEqualTo(before.at(1000 + k));
        }
        Clip turned = Retiming.reverse(keyed, FIRST).main().clips().get(0);
        for (long k = 0; k < 20; k++) {
            assertThat(turned.at(1000 + k)).isEqualTo(before.at(1019 - k));
        }
        assertThat(Retiming.reverse(Retiming.reverse(keyed, FIRST), FIRST)).isEqualTo(keyed);
    }
}
