package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class NestingTest {
    private static final Master FOUR = Masters.of(20, 30, 25, 15);

    private static List<String> seen(Master master, LongFunction<Master> masters) {
        FrameChain chain = new FrameChain(masters);
        List<String> seen = new ArrayList<>();
        for (long f = 990; f < 1110; f++) {
            StringBuilder text = new StringBuilder();
            chain.at(master, f).forEach(l -> text.append(l.shotId()).append(':').append(l.position()).append('x')
                    .append(l.weight()).append(' '));
            seen.add(text.toString());
        }
        return seen;
    }

    @Test
    @DisplayName("nested and opened again every frame is the same, dissolves at the ends too")
    void nestAndOpen() {
        Master dissolving = Fades.dissolve(Fades.dissolve(FOUR, new Place(0, 1), 8, Transition.Curve.EASED), new Place(0, 3),
                6, Transition.Curve.EVEN);
        Nesting.Nest nested = Nesting.nest(dissolving, List.of(new Place(0, 1), new Place(0, 2)), 7, "Scene 12");
        LongFunction<Master> masters = id -> nested.inner();
        assertThat(nested.outer().main().clips()).hasSize(3);
        assertThat(nested.inner().main().clips()).hasSize(2);
        assertThat(seen(nested.outer(), masters)).isEqualTo(seen(dissolving, id -> null));
        Master opened = Nesting.open(nested.outer(), new Place(0, 1), masters);
        assertThat(opened.main().clips()).hasSize(4);
        assertThat(seen(opened, id -> null)).isEqualTo(seen(dissolving, id -> null));
    }

    @Test
    @DisplayName("a scene that gets longer is longer in its sequence, where that shows it to its end")
    void follows() {
        Nesting.Nest nested = Nesting.nest(FOUR, List.of(new Place(0, 1), new Place(0, 2)), 7, "Scene 12");
        Master longer = Trims.tail(nested.inner(), new Place(0, 0), 9, Following.MOVES_ALONG);
        Master followed = Nesting.follow(nested.outer(), nested.inner(), longer);
        assertThat(followed.main().clips().get(1).record()).isEqualTo(FrameRange.of(1020, 1084));
        assertThat(followed.end()).isEqualTo(FOUR.end() + 9);
        Master part = Trims.tail(nested.outer(), new Place(0, 1), -3, Following.STAYS);
        assertThat(Nesting.follow(part, nested.inner(), longer)).isEqualTo(part);
        Master back = Nesting.follow(followed, longer, nested.inner());
        assertThat(back).isEqualTo(nested.outer());
    }

    @Test
    @DisplayName("no master is nested in itself, at any depth; the sentence names the way")
    void noLoops() {
        Master one = FOUR;
        Master two = new Master(2, "Reel", one.rate(), false, 1000, Masters.with(List.of(
                Track.of("Shots", List.of(Nesting.whole(one))))).tracks());
        Master three = new Master(3, "Show", one.rate(), false, 1000, Masters.with(List.of(
                Track.of("Shots", List.of(Nesting.whole(two))))).tracks());
        Map<Long, Master> all = Map.of(1L, one, 2L, two, 3L, three);
        assertThatCode(() -> Nesting.checkNoLoop(three, all::get)).doesNotThrowAnyException();
        assertThat(Nesting.nests(three, 1, all::get)).isTrue();
        assertThat(Nesting.nests(two, 3, all::get)).isFalse();
        Master loop = Arranging.insert(one, 0, 1000, Nesting.whole(three));
        assertThatThrownBy(() -> Nesting.checkNoLoop(loop, id -> id == 1 ? loop : all.get(id)))
                .hasMessage("\"Test\" would be nested in itself, through \"Reel\"");
        Master self = Arranging.insert(one, 0, 1000, Nesting.whole(one));
        assertThatThrownBy(() -> Nesting.checkNoLoop(self, all::get)).hasMessage("\"Test\" would be nested in itself");
    }

    @Test
    @DisplayName("only clips that follow each other on one track become a master")
    void neighboursOnly() {
        assertThatThrownBy(() -> Nesting.nest(FOUR, List.of(new Place(0, 0), new Place(0, 2)), 7, "x"))
                .hasMessageContaining("follow each other");
        assertThatThrownBy(() -> Nesting.open(FOUR, new Place(0, 0), id -> null)).hasMessageContaining("nests no master");
        Clip nest = Nesting.nest(FOUR, List.of(new Place(0, 0)), 7, "x").outer().main().clips().get(0);
        assertThat(nest.from().floor()).isEqualTo(1000);
    }
}
