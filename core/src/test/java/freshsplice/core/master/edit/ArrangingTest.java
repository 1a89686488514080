package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ArrangingTest {
    private static final Master THREE = Masters.of(20, 30, 40);

    private static List<Long> shots(Master master) {
        return master.main().clips().stream().map(Clip::shotId).toList();
    }

    @Test
    @DisplayName("A transition for which a clip became too short goes with the picture that was laid over it")
    void transitionsNeedRoom() {
        Master mixed = Fades.dissolve(Masters.of(40, 40, 40), new Place(0, 1), 8, Transition.Curve.EVEN);
        Clip over = mixed.main().clips().get(2).shiftedBy(-39).fresh();
        Master sliver = Arranging.overwrite(mixed, 0, over);
        assertThat(sliver.main().clips()).extracting(s -> s.record().length()).startsWith(40L, 1L, 40L);
        assertThat(sliver.main().clips()).extracting(Clip::head).containsOnlyNulls();
        Master roomy = Arranging.overwrite(mixed, 0, over.shiftedBy(9));
        assertThat(roomy.main().clips().get(1).head()).isEqualTo(mixed.main().clips().get(1).head());
        Master before = Arranging.overwrite(mixed, 0, Clip.ofShot(0, 9, FrameRange.of(1037, 1040), Rational.of(1001)));
        assertThat(before.main().clips()).extracting(Clip::head).containsOnlyNulls();
    }

    @Test
    @DisplayName("lifted leaves black, taken out closes up")
    void liftAndExtract() {
        Master lifted = Arranging.lift(THREE, List.of(new Place(0, 1)));
        assertThat(lifted.main().clips()).extracting(s -> s.record().in()).containsExactly(1000L, 1050L);
        Master out = Arranging.extract(THREE, List.of(new Place(0, 0), new Place(0, 1)));
        assertThat(out.main().clips()).singleElement().satisfies(s ->
                assertThat(s.record()).isEqualTo(FrameRange.of(1000, 1040)));
    }

    @Test
    @DisplayName("moved, swapped and duplicated, every clip keeps its frames")
    void order() {
        assertThat(shots(Arranging.move(THREE, new Place(0, 0), 1090))).containsExactly(2L, 3L, 1L);
        assertThat(shots(Arranging.move(THREE, new Place(0, 2), 1000))).containsExactly(3L, 1L, 2L);
        assertThat(Arranging.move(THREE, new Place(0, 1), 1020)).isEqualTo(THREE);
        Master swapped = Arranging.swap(THREE, new Place(0, 0));
        assertThat(shots(swapped)).containsExactly(2L, 1L, 3L);
        assertThat(swapped.main().clips()).extracting(s -> s.record().length()).containsExactly(30L, 20L, 40L);
        assertThat(Arranging.swap(swapped, new Place(0, 0))).isEqualTo(THREE);
        Master twice = Arranging.duplicate(THREE, new Place(0, 1));
        assertThat(shots(twice)).containsExactly(1L, 2L, 2L, 3L);
        assertThat(twice.main().clips().get(2).id()).as("a new clip").isZero();
        assertThat(twice.end()).isEqualTo(1120);
        assertThatThrownBy(() -> Arranging.swap(THREE, new Place(0, 2))).hasMessageContaining("Nothing meets");
    }

    @Test
    @DisplayName("an overwrite trims, splits and takes away what is under it, and moves nothing")
    void overwrite() {
        Clip clip = Clip.ofShot(0, 9, FrameRange.of(1010, 1060), Rational.of(1001));
        Master master = Arranging.overwrite(THREE, 0, clip);
        assertThat(shots(master)).containsExactly(1L, 9L, 3L);
        assertThat(master.main().clips().get(2).from()).isEqualTo(Rational.of(1011));
        Clip inside = Clip.ofShot(0, 9, FrameRange.of(1060, 1070), Rational.of(1001));
        Master split = Arranging.overwrite(THREE, 0, inside);
        assertThat(shots(split)).containsExactly(1L, 2L, 3L, 9L, 3L);
        assertThat(split.main().clips().get(4).from()).isEqualTo(Rational.of(1021));
        assertThat(split.end()).isEqualTo(THREE.end());
    }

    @Test
    @DisplayName("clips are one again only where the second goes on where the first ends")
    void join() {
        Master split = Arranging.split(THREE, new Place(0, 1), 1031);
        assertThat(Arranging.join(split, new Place(0, 1))).isEqualTo(THREE);
        assertThatThrownBy(() -> Arranging.join(THREE, new Place(0, 0))).hasMessageContaining("does not go on");
        assertThatThrownBy(() -> Arranging.split(THREE, new Place(0, 1), 1020)).hasMessageContaining("at least one frame");
    }

    @Test
    @DisplayName("a clip that somebody took out in the meantime is said to be gone")
    void gone() {
        assertThatThrownBy(() -> Place.of(THREE, 77)).hasMessageContaining("somebody took it out");
        assertThat(Place.of(THREE, 3)).isEqualTo(new Place(0, 2));
    }

    @RepeatedTest(60)
    @DisplayName("a split changes no frame, an insert moves what follows by its length, and taking it out is the inverse")
    void laws(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Master master = Masters.random(random);
        Place place = Masters.any(master, random);
        FrameRange record = place.in(master).record();
        if (record.length() > 1) {
            Master split = Arranging.split(master, place, record.in() + 1 + random.nextInt((int) record.length() - 1));
            assertThat(Masters.seen(split, place.track())).isEqualTo(Masters.seen(master, place.track()));
            assertThat(Arranging.join(split, place)).isEqualTo(master);
        }
        long at = record.in();
        long length = 1 + random.nextInt(30);
        Clip clip = Clip.ofShot(0, 99, FrameRange.ofLength(0, length), Rational.of(1001));
        Master inserted = Arranging.insert(master, place.track(), at, clip);
        List<String> expected = new ArrayList<>(Masters.seen(master, place.track(), 900, at));
        for (long i = 0; i < length; i++) {
            expected.add("99:" + (1001 + i));
        }
        expected.addAll(Masters.seen(master, place.track(), at, 2000));
        assertThat(Masters.seen(inserted, place.track(), 900, 2000 + length)).isEqualTo(expected);
        Master back = Arranging.extract(inserted, List.of(new Place(place.track(), place.index())));
        assertThat(Masters.seen(back, 0)).isEqualTo(Masters.seen(master, 0));
        assertThat(Masters.seen(back, 1)).isEqualTo(Masters.seen(master, 1));
    }

    @RepeatedTest(60)
    @DisplayName("no run of edits makes two live answers for one frame of a track")
    void neverTwo(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Master master = Masters.random(random);
        for (int i = 0; i < 30 && !master.tracks().get(0).clips().isEmpty()
                && !master.tracks().get(1).clips().isEmpty(); i++) {
            master = anyEdit(master, random);
            for (Track track : master.tracks()) {
                for (int k = 1; k < track.clips().size(); k++) {
                    assertThat(track.clips().get(k).record().in())
                            .isGreaterThanOrEqualTo(track.clips().get(k - 1).record().out());
                }
            }
        }
    }

    private static Master anyEdit(Master master, Random random) {
        Place place = Masters.any(master, random);
        Clip clip = place.in(master);
        long frames = random.nextInt(21) - 10;
        try {
            return switch (random.nextInt(12)) {
                case 0 -> Trims.head(master, place, frames, Following.of(random.nextBoolean()));
                case 1 -> Trims.tail(master, place, frames, Following.of(random.nextBoolean()));
                case 2 -> Trims.slip(master, place, Rational.of(frames, 2));
                case 3 -> Trims.slide(master, place, frames);
                case 4 -> Arranging.split(master, place, clip.record().in() + Math.abs(frames));
                case 5 -> Arranging.extract(master, List.of(place));
                case 6 -> Arranging.duplicate(master, place);
                case 7 -> Arranging.swap(master, place);
                case 8 -> Arranging.move(master, place, 1000 + random.nextInt(300));
                case 9 -> Retiming.fill(master, place, clip.record().out() + frames, Following.of(random.nextBoolean()));
                case 10 -> Arranging.overwrite(master, place.track(), Clip.ofShot(0, 9,
                        FrameRange.ofLength(clip.record().in() + 2, 1 + Math.abs(frames)), Rational.ONE));
                default -> Retiming.reverse(master, place);
            };
        } catch (IllegalArgumentException refused) {
            assertThat(refused.getMessage()).as("a sentence").matches("(?s)[A-Z].{20,}");
            return master;
        }
    }

    @Test
    @DisplayName("cutting to another camera goes on in the action: neighbouring ranges never share a frame")
    void liveCamera() {
        Shot.Anchor anchor = new Shot.Anchor("k", "n", 1001, Rational.ZERO, Rational.ONE, false);
        Shot first = new Shot(2, "sh0020", FrameRange.of(1001, 1031), 8, -1001, anchor);
        Shot second = new Shot(7, "sh0070", FrameRange.of(1001, 1011), 8, -991, anchor);
        Master master = LiveCamera.cutTo(THREE, new Place(0, 1), 1035, first, second);
        Clip before = master.main().clips().get(1);
        Clip after = master.main().clips().get(2);
        assertThat(after.shotId()).isEqualTo(7);
        Rational lastAction = first.actionAt(before.at(before.record().last()));
        assertThat(second.actionAt(after.from())).isEqualTo(lastAction.plus(1));
        Master whole = LiveCamera.cutTo(THREE, new Place(0, 1), 1020, first, second);
        assertThat(whole.main().clips()).hasSize(3);
        assertThatThrownBy(() -> LiveCamera.cutTo(THREE, new Place(0, 1), 1035, first, first))
                .hasMessageContaining("live at that frame already");
    }
}
