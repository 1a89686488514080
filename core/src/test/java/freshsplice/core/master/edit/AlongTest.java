package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Which tracks move along, and that none is moved into an overlap. */
class AlongTest {
    /** The main track without gaps; above it a clip of 20 over the second, and one later. */
    private static final Master TWO_TRACKS = Masters.with(List.of(
            Track.of("Shots", List.of(clip(1, 1000, 1040), clip(2, 1040, 1080), clip(3, 1080, 1120))),
            Track.of("Above", List.of(clip(4, 1045, 1065), clip(5, 1090, 1100)))));

    private static Clip clip(long id, long in, long out) {
        return Clip.ofShot(id, id, FrameRange.of(in, out), Rational.of(1001));
    }

    private static List<String> laid(Master master, int track) {
        return master.tracks().get(track).clips().stream().map(s -> s.record().toString()).toList();
    }

    private static Master shortened(Along along, int frames) {
        return along.during(TWO_TRACKS, Set.of(1), held -> Trims.tail(held, new Place(1, 0), -frames, Following.MOVES_ALONG));
    }

    @Test
    @DisplayName("a clip of a track above is shortened and its track closes up, and the main track stays")
    void ownTrack() {
        Master after = shortened(Along.usual(Set.of(1)), 5);
        assertThat(laid(after, 1)).containsExactly("[1045, 1060)", "[1085, 1095)");
        assertThat(laid(after, 0)).isEqualTo(laid(TWO_TRACKS, 0));
        assertThat(after.tracks()).noneMatch(Track::locked);
    }

    @Test
    @DisplayName("asked for all tracks, one that has no room stays and is named")
    void allTracks() {
        Master after = shortened(Along.ALL_TRACKS, 5);
        assertThat(laid(after, 1)).containsExactly("[1045, 1060)", "[1085, 1095)");
        assertThat(laid(after, 0)).isEqualTo(laid(TWO_TRACKS, 0));
        assertThat(Along.stayed(TWO_TRACKS, after, Set.of(1))).containsExactly("Shots");
        Master longer = Along.usual(Set.of(0)).during(TWO_TRACKS, Set.of(0), held -> Trims.tail(held, new Place(0, 0), 7, Following.MOVES_ALONG));
        assertThat(laid(longer, 1)).as("tracks above follow the main one").containsExactly("[1052, 1072)", "[1097, 1107)");
        assertThat(Along.stayed(TWO_TRACKS, longer, Set.of(0))).isEmpty();
    }

    @Test
    @DisplayName("whatever is trimmed or taken out on whichever track, nothing is refused for an overlap")
    void neverIntoAnOverlap() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            Master master = Masters.random(random, 3);
            int track = random.nextInt(3);
            int index = random.nextInt(master.tracks().get(track).clips().size());
            Clip clip = master.tracks().get(track).clips().get(index);
            Along along = Along.values()[random.nextInt(2)];
            Master after = along.during(master, Set.of(track), held -> clip.record().length() > 2 && random.nextBoolean()
                    ? Trims.tail(held, new Place(track, index), -1 - random.nextInt((int) clip.record().length() - 2), Following.MOVES_ALONG)
                    : Arranging.extract(held, List.of(new Place(track, index))));
            for (int l = 0; l < 3; l++) {
                if (along == Along.OWN_TRACK && l != track) {
                    assertThat(after.tracks().get(l)).as("seed %s", seed).isEqualTo(master.tracks().get(l));
                }
            }
        }
    }

    @Test
    @DisplayName("a speed that shows frames past the handles says which")
    void speedsPastTheHandles() {
        Shot shot = new Shot(2, "sh0020", FrameRange.of(1001, 1041), 8, 0, new Shot.Anchor("k", "k", 1001, Rational.ZERO,
                Rational.ONE, false));
        Master back = Retiming.speed(TWO_TRACKS, new Place(0, 1), Rational.of(-2));
        Clip clip = back.main().clips().get(1);
        assertThat(Warnings.ofSpeed(TWO_TRACKS, back, Map.of(2L, shot))).singleElement().asString()
                .startsWith("sh0020 now shows " + clip.at(clip.record().in()).floor() + " to "
                        + clip.at(clip.record().last()).floor() + ": ").contains("past its handles, 993–1048");
        assertThat(Warnings.ofSpeed(TWO_TRACKS, Retiming.speed(TWO_TRACKS, new Place(0, 1), Rational.of(1, 2)), Map.of(2L, shot)))
                .isEmpty();
    }

    @Test
    @DisplayName("a nest slipped past its end says how much of it is black")
    void blackOfANest() {
        Master inner = Masters.of(30, 30);
        Clip nest = new Clip(9, new Clip.Content.OfMaster(7), FrameRange.of(1000, 1060), Rational.of(1000),
                Rational.ONE, true, null, null);
        Master outer = Masters.with(List.of(Track.of("Shots", List.of(nest))));
        Master slipped = Trims.slip(outer, new Place(0, 0), Rational.of(12));
        assertThat(Warnings.ofNests(outer, slipped, id -> inner)).singleElement().asString()
                .contains("has nothing at 12 frames").contains("they are black");
        assertThat(Warnings.ofNests(outer, outer, id -> inner)).isEmpty();
    }
}
