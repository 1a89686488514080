package freshsplice.core.master.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class TrimsTest {
    private static final Master THREE = Masters.of(20, 30, 40);
    private static final Place MIDDLE = new Place(0, 1);

    private static List<FrameRange> records(Master master) {
        return master.main().clips().stream().map(Clip::record).toList();
    }

    @Test
    @DisplayName("a head trimmed leaves black, rippled it keeps its place and what follows moves up")
    void head() {
        Master trimmed = Trims.head(THREE, MIDDLE, 5, Following.STAYS);
        assertThat(records(trimmed)).containsExactly(FrameRange.of(1000, 1020), FrameRange.of(1025, 1050),
                FrameRange.of(1050, 1090));
        assertThat(trimmed.main().clips().get(1).from()).isEqualTo(Rational.of(1006));
        Master rippled = Trims.head(THREE, MIDDLE, 5, Following.MOVES_ALONG);
        assertThat(records(rippled)).containsExactly(FrameRange.of(1000, 1020), FrameRange.of(1020, 1045),
                FrameRange.of(1045, 1085));
        assertThat(rippled.main().clips().get(1).from()).isEqualTo(Rational.of(1006));
    }

    @Test
    @DisplayName("a tail made longer lies over its neighbour and is refused, unless it ripples")
    void tail() {
        assertThatThrownBy(() -> Trims.tail(THREE, MIDDLE, 3, Following.STAYS)).hasMessageContaining("lie over each other");
        assertThat(records(Trims.tail(THREE, MIDDLE, 3, Following.MOVES_ALONG))).containsExactly(FrameRange.of(1000, 1020),
                FrameRange.of(1020, 1053), FrameRange.of(1053, 1093));
        assertThatThrownBy(() -> Trims.tail(THREE, MIDDLE, -30, Following.MOVES_ALONG)).hasMessageContaining("has 30 frames");
        assertThatThrownBy(() -> Trims.head(THREE, new Place(0, 0), -1001, Following.STAYS)).hasMessageContaining("before record");
    }

    @Test
    @DisplayName("a slip keeps the place and moves the content; a slide keeps the content and moves the place")
    void slipAndSlide() {
        Master slipped = Trims.slip(THREE, MIDDLE, Rational.of(-4));
        assertThat(records(slipped)).isEqualTo(records(THREE));
        assertThat(slipped.main().clips().get(1).from()).isEqualTo(Rational.of(997));
        Master slid = Trims.slide(THREE, MIDDLE, 6);
        assertThat(records(slid)).containsExactly(FrameRange.of(1000, 1026), FrameRange.of(1026, 1056),
                FrameRange.of(1056, 1090));
        assertThat(slid.main().clips().get(1).from()).isEqualTo(Rational.of(1001));
        assertThat(slid.main().clips().get(2).from()).isEqualTo(Rational.of(1007));
        assertThatThrownBy(() -> Trims.slide(THREE, MIDDLE, -20)).hasMessageContaining("has 20 frames");
    }

    @RepeatedTest(40)
    @DisplayName("an edit and its inverse are nothing; frames that stay show what they showed")
    void inverse(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Master master = Masters.random(random, 1);
        Place place = Masters.any(master, random);
        long room = place.in(master).record().length();
        long frames = room < 2 ? 0 : random.nextInt((int) room - 1);
        Master head = Trims.head(master, place, frames, Following.MOVES_ALONG);
        assertThat(Trims.head(head, place, -frames, Following.MOVES_ALONG)).isEqualTo(master);
        Master tail = Trims.tail(master, place, -frames, Following.MOVES_ALONG);
        assertThat(Trims.tail(tail, place, frames, Following.MOVES_ALONG)).isEqualTo(master);
        Rational slip = Rational.of(random.nextInt(50) - 25, 1 + random.nextInt(3));
        assertThat(Trims.slip(Trims.slip(master, place, slip), place, slip.negate())).isEqualTo(master);
        Master plain = Trims.head(master, place, frames, Following.STAYS);
        FrameRange stays = plain.tracks().get(place.track()).clips().get(place.index()).record();
        assertThat(Masters.seen(plain, place.track(), stays.in(), stays.out()))
                .isEqualTo(Masters.seen(master, place.track(), stays.in(), stays.out()));
    }

    @RepeatedTest(40)
    @DisplayName("a ripple keeps tracks together: all that begins after it moves by the same frames, the rest stays")
    void ripple(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        Master master = Masters.random(random);
        Place place = Masters.any(master, random);
        long out = place.in(master).record().out();
        long frames = random.nextInt(20);
        Master rippled = Trims.tail(master, place, frames, Following.MOVES_ALONG);
        for (int track = 0; track < master.tracks().size(); track++) {
            for (int i = 0; i < master.tracks().get(track).clips().size(); i++) {
                Clip was = master.tracks().get(track).clips().get(i);
                Clip is = rippled.tracks().get(track).clips().get(i);
                long moved = was.record().in() >= out ? frames : 0;
                assertThat(is.record().in()).isEqualTo(was.record().in() + moved);
            }
        }
    }

    @Test
    @DisplayName("a trim, a roll or a slide that leaves less than a dissolve needs is refused in words")
    void transitions() {
        Master dissolved = Fades.head(THREE, MIDDLE, new Transition(Transition.Kind.DISSOLVE, 6, 6));
        assertThat(Trims.tail(dissolved, MIDDLE, -23, Following.MOVES_ALONG).main().clips().get(1).record().length()).isEqualTo(7);
        assertThatThrownBy(() -> Trims.tail(dissolved, MIDDLE, -24, Following.MOVES_ALONG)).hasMessageContaining("transitions over it need 6");
        assertThatThrownBy(() -> Trims.tail(dissolved, new Place(0, 0), -14, Following.MOVES_ALONG))
                .as("the clip that is left needs its own half").hasMessageContaining("Only 6 frames");
        assertThatThrownBy(() -> Trims.head(dissolved, MIDDLE, 24, Following.MOVES_ALONG)).hasMessageContaining("transitions over it need 6");
        assertThatThrownBy(() -> SeamEdits.move(dissolved, 0, 1050, -24)).hasMessageContaining("transitions over it need 6");
    }
}
