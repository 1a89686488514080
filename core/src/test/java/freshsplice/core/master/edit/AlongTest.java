package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Which lanes move along, and that none is moved into an overlap. */
class AlongTest {
    /** The main lane without gaps; above it a piece of 20 over the second, and one later. */
    private static final Master TWO_LANES = Masters.with(List.of(
            Lane.of("Shots", List.of(piece(1, 1000, 1040), piece(2, 1040, 1080), piece(3, 1080, 1120))),
            Lane.of("Above", List.of(piece(4, 1045, 1065), piece(5, 1090, 1100)))));

    private static Section piece(long id, long in, long out) {
        return Section.ofShot(id, id, FrameRange.of(in, out), Rational.of(1001));
    }

    private static List<String> laid(Master master, int lane) {
        return master.lanes().get(lane).sections().stream().map(s -> s.record().toString()).toList();
    }

    private static Master shortened(Along along, int frames) {
        return along.during(TWO_LANES, Set.of(1), held -> Trims.tail(held, new Place(1, 0), -frames, Following.MOVES_ALONG));
    }

    @Test
    @DisplayName("a piece of a lane above is shortened and its lane closes up, and the main lane stays")
    void ownLane() {
        Master after = shortened(Along.usual(Set.of(1)), 5);
        assertThat(laid(after, 1)).containsExactly("[1045, 1060)", "[1085, 1095)");
        assertThat(laid(after, 0)).isEqualTo(laid(TWO_LANES, 0));
        assertThat(after.lanes()).noneMatch(Lane::locked);
    }

    @Test
    @DisplayName("asked for all lanes, one that has no room stays and is named")
    void allLanes() {
        Master after = shortened(Along.ALL_LANES, 5);
        assertThat(laid(after, 1)).containsExactly("[1045, 1060)", "[1085, 1095)");
        assertThat(laid(after, 0)).isEqualTo(laid(TWO_LANES, 0));
        assertThat(Along.stayed(TWO_LANES, after, Set.of(1))).containsExactly("Shots");
        Master longer = Along.usual(Set.of(0)).during(TWO_LANES, Set.of(0), held -> Trims.tail(held, new Place(0, 0), 7, Following.MOVES_ALONG));
        assertThat(laid(longer, 1)).as("lanes above follow the main one").containsExactly("[1052, 1072)", "[1097, 1107)");
        assertThat(Along.stayed(TWO_LANES, longer, Set.of(0))).isEmpty();
    }

    @Test
    @DisplayName("whatever is trimmed or taken out on whichever lane, nothing is refused for an overlap")
    void neverIntoAnOverlap() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            Master master = Masters.random(random, 3);
            int lane = random.nextInt(3);
            int index = random.nextInt(master.lanes().get(lane).sections().size());
            Section piece = master.lanes().get(lane).sections().get(index);
            Along along = Along.values()[random.nextInt(2)];
            Master after = along.during(master, Set.of(lane), held -> piece.record().length() > 2 && random.nextBoolean()
                    ? Trims.tail(held, new Place(lane, index), -1 - random.nextInt((int) piece.record().length() - 2), Following.MOVES_ALONG)
                    : Arranging.takeOut(held, List.of(new Place(lane, index))));
            for (int l = 0; l < 3; l++) {
                if (along == Along.OWN_LANE && l != lane) {
                    assertThat(after.lanes().get(l)).as("seed %s", seed).isEqualTo(master.lanes().get(l));
                }
            }
        }
    }

    @Test
    @DisplayName("a speed that shows frames past the handles says which")
    void speedsPastTheHandles() {
        Shot shot = new Shot(2, "sh0020", FrameRange.of(1001, 1041), 8, 0, new Shot.Anchor("k", "k", 1001, Rational.ZERO,
                Rational.ONE, false));
        Master back = Retiming.speed(TWO_LANES, new Place(0, 1), Rational.of(-2));
        Section piece = back.main().sections().get(1);
        assertThat(Warnings.ofSpeed(TWO_LANES, back, Map.of(2L, shot))).singleElement().asString()
                .startsWith("sh0020 now shows " + piece.at(piece.record().in()).floor() + " to "
                        + piece.at(piece.record().last()).floor() + ": ").contains("past its handles, 993–1048");
        assertThat(Warnings.ofSpeed(TWO_LANES, Retiming.speed(TWO_LANES, new Place(0, 1), Rational.of(1, 2)), Map.of(2L, shot)))
                .isEmpty();
    }

    @Test
    @DisplayName("a nest slipped past its end says how much of it is black")
    void blackOfANest() {
        Master inner = Masters.of(30, 30);
        Section nest = new Section(9, new Section.Content.OfMaster(7), FrameRange.of(1000, 1060), Rational.of(1000),
                Rational.ONE, true, null, null);
        Master outer = Masters.with(List.of(Lane.of("Shots", List.of(nest))));
        Master slipped = Trims.slip(outer, new Place(0, 0), Rational.of(12));
        assertThat(Warnings.ofNests(outer, slipped, id -> inner)).singleElement().asString()
                .contains("has nothing at 12 frames").contains("they are black");
        assertThat(Warnings.ofNests(outer, outer, id -> inner)).isEmpty();
    }
}
