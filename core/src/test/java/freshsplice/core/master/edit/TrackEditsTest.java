package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class TrackEditsTest {
    private static final Master TWO = Masters.of(20, 30);

    private static long shotAt(Master master, long frame) {
        List<FrameChain.Layer> layers = FrameChain.flat().at(master, frame);
        return layers.isEmpty() ? 0 : layers.get(0).shotId();
    }

    @Test
    @DisplayName("a clip tried on a track above is live there, and laid down it is on the main track")
    void tryAndLayDown() {
        Master tried = TrackEdits.copyUp(TWO, new Place(0, 1));
        assertThat(tried.tracks()).extracting(Track::name).containsExactly("Shots", "Track 2");
        Master moved = Arranging.lift(tried, List.of(new Place(0, 1)));
        assertThat(shotAt(moved, 1025)).isEqualTo(2);
        Master other = Arranging.overwrite(TrackEdits.add(TWO, "Tries"), 1,
                Clip.ofShot(0, 9, FrameRange.of(1010, 1030), Rational.of(1001)));
        assertThat(shotAt(other, 1009)).isEqualTo(1);
        assertThat(shotAt(other, 1010)).isEqualTo(9);
        Master laid = TrackEdits.layDown(other, List.of(new Place(1, 0)));
        assertThat(laid.tracks().get(1).clips()).isEmpty();
        assertThat(laid.main().clips()).extracting(Clip::record).containsExactly(FrameRange.of(1000, 1010),
                FrameRange.of(1010, 1030), FrameRange.of(1030, 1050));
        for (long f = 995; f < 1055; f++) {
            assertThat(FrameChain.flat().at(laid, f)).as("frame " + f).extracting(FrameChain.Layer::position)
                    .isEqualTo(FrameChain.flat().at(other, f).stream().map(FrameChain.Layer::position).toList());
        }
        assertThatThrownBy(() -> TrackEdits.layDown(laid, List.of(new Place(0, 0)))).hasMessageContaining("main track already");
    }

    @Test
    @DisplayName("a track that is switched off is not live; order says which of several is")
    void orderAndSwitch() {
        Clip low = Clip.ofShot(0, 8, FrameRange.of(1000, 1010), Rational.of(1));
        Clip high = Clip.ofShot(0, 9, FrameRange.of(1000, 1010), Rational.of(1));
        Master three = Arranging.overwrite(Arranging.overwrite(TrackEdits.add(TrackEdits.add(TWO, "a"), "b"), 1, low), 2, high);
        assertThat(shotAt(three, 1005)).isEqualTo(9);
        assertThat(shotAt(TrackEdits.reorder(three, 2, -1), 1005)).isEqualTo(8);
        assertThat(shotAt(TrackEdits.enable(three, 2, false), 1005)).isEqualTo(8);
        assertThat(TrackEdits.reorder(TrackEdits.reorder(three, 2, -1), 1, 1)).isEqualTo(three);
        assertThat(shotAt(TrackEdits.remove(three, 2), 1005)).isEqualTo(8);
        assertThatThrownBy(() -> TrackEdits.reorder(three, 0, 1)).hasMessageContaining("main track");
        assertThatThrownBy(() -> TrackEdits.remove(three, 0)).hasMessageContaining("main track");
        assertThatThrownBy(() -> TrackEdits.rename(three, 1, " ")).hasMessageContaining("needs a name");
    }

    @Test
    @DisplayName("a locked track stays as it is: it is not pushed along, and an edit of it is refused by name")
    void locked() {
        Master two = Arranging.overwrite(TrackEdits.add(TWO, "Titles"), 1,
                Clip.ofShot(7, 9, FrameRange.of(1030, 1040), Rational.of(1)));
        Master locked = TrackEdits.lock(two, 1, true);
        Master rippled = Trims.tail(locked, new Place(0, 0), 5, Following.MOVES_ALONG);
        assertThat(rippled.tracks().get(1)).isEqualTo(locked.tracks().get(1));
        assertThatCode(() -> TrackEdits.checkLocks(locked, rippled)).doesNotThrowAnyException();
        assertThatThrownBy(() -> TrackEdits.checkLocks(locked, Trims.slip(locked, new Place(1, 0), Rational.ONE)))
                .hasMessage("Track \"Titles\" is locked: unlock it first");
        assertThatThrownBy(() -> TrackEdits.checkLocks(locked, TrackEdits.remove(locked, 1))).hasMessageContaining("locked");
        assertThatCode(() -> TrackEdits.checkLocks(locked, TrackEdits.lock(locked, 1, false))).doesNotThrowAnyException();
    }

    @Test
    @DisplayName("pasted clips keep their gaps; another rate, tracks over each other and nothing are refused")
    void pasting() {
        List<Clip> clips = List.of(Clip.ofShot(1, 5, FrameRange.of(0, 10), Rational.of(1001)),
                Clip.ofShot(2, 6, FrameRange.of(14, 20), Rational.of(1001)));
        Master pasted = Pasting.put(TWO, 0, 1005, clips, FrameRate.FPS_24, true);
        assertThat(pasted.main().clips()).extracting(Clip::shotId).containsExactly(1L, 5L, 6L, 1L, 2L);
        assertThat(pasted.main().clips().get(2).record()).isEqualTo(FrameRange.of(1019, 1025));
        assertThat(pasted.end()).isEqualTo(TWO.end() + 20);
        Master over = Pasting.put(TWO, 0, 1005, clips, FrameRate.FPS_24, false);
        assertThat(over.end()).isEqualTo(TWO.end());
        assertThat(shotAt(over, 1016)).as("the gap shows what was there").isEqualTo(1);
        assertThatThrownBy(() -> Pasting.put(TWO, 0, 1005, clips, FrameRate.FPS_25, true))
                .hasMessageContaining("count 25 frames").hasMessageContaining("counts 24");
        assertThatThrownBy(() -> Pasting.put(TWO, 0, 1005, List.of(), FrameRate.FPS_24, true))
                .hasMessageContaining("Nothing was copied");
        List<Clip> twice = List.of(clips.get(0), clips.get(0));
        assertThatThrownBy(() -> Pasting.put(TWO, 0, 1005, twice, FrameRate.FPS_24, true))
                .hasMessageContaining("one track at a time");
    }

    @Test
    @DisplayName("a range is cleared with what lies over its ends split, and closed up")
    void clear() {
        Master lifted = Arranging.clear(TWO, 0, FrameRange.of(1010, 1030), false);
        assertThat(lifted.main().clips()).extracting(Clip::record).containsExactly(FrameRange.of(1000, 1010),
                FrameRange.of(1030, 1050));
        Master closed = Arranging.clear(TWO, 0, FrameRange.of(1010, 1030), true);
        assertThat(closed.end()).isEqualTo(1030);
        assertThat(closed.main().clips().get(1).from()).isEqualTo(Rational.of(1011));
        Master inside = Arranging.clear(TWO, 0, FrameRange.of(1005, 1008), false);
        assertThat(inside.main().clips()).extracting(Clip::id).containsExactly(1L, 0L, 2L);
    }
}
