package freshsplice.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LivePictureTest {
    private static List<String> seen(Cut cut) {
        return LivePicture.of(cut).stream().map(p -> p.event().name() + p.record() + "@" + p.from()).toList();
    }

    @Test
    void theUpperTrackWinsAndTheLowerGoesOnAfterIt() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a", 0, 100, 10)), Cuts.track(Cuts.clip("t", 40, 60, 0)));
        assertThat(seen(cut)).containsExactly("a[0, 40)@10", "t[40, 60)@0", "a[60, 100)@70");
    }

    @Test
    void switchedOffEventsAndTracksAreNotSeen() {
        Event off = new Event(null, Event.Kind.CLIP, "t", false, FrameRange.of(40, 60), null,
                TimeMap.constant(FrameRange.of(40, 60), Rational.ZERO, Rational.ONE), null, List.of());
        Track dark = new Track(Track.Kind.PICTURE, "V3", false, List.of(Cuts.clip("x", 0, 100, 0)), List.of());
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a", 0, 100, 10)), Cuts.track(off), dark);
        assertThat(seen(cut)).containsExactly("a[0, 100)@10");
    }

    @Test
    void neighboursOverlapInATransitionOnly() {
        Track joined = new Track(Track.Kind.PICTURE, "V1", true,
                List.of(Cuts.clip("a", 0, 56, 0), Cuts.clip("b", 44, 100, 0)),
                List.of(Transition.centred(Transition.Kind.DISSOLVE, FrameRange.of(44, 56), null)));
        assertThat(seen(Cuts.of(joined))).containsExactly("a[0, 56)@0", "b[44, 100)@0");
        assertThat(seen(Cuts.of(Cuts.track(Cuts.clip("a", 0, 56, 0), Cuts.clip("b", 44, 100, 0)))))
                .containsExactly("a[0, 44)@0", "b[44, 100)@0");
    }

    @Test
    void whatLiesUnderAShorterEventComesBackAfterIt() {
        assertThat(seen(Cuts.of(Cuts.track(Cuts.clip("a", 0, 100, 0), Cuts.clip("b", 30, 40, 7)))))
                .containsExactly("a[0, 30)@0", "b[30, 40)@7", "a[40, 100)@40");
    }

    @Test
    void nestedCutsAreOpenedAtTheirSpeed() {
        Cut inner = Cuts.of(Cuts.track(Cuts.clip("a", 0, 20, 100), Cuts.clip("b", 20, 60, 500)));
        FrameRange record = FrameRange.of(10, 30);
        Event nest = new Event(null, Event.Kind.NESTED, "n", true, record, null,
                TimeMap.constant(record, Rational.of(4), Rational.of(2)), inner, List.of());
        assertThat(seen(Cuts.of(Cuts.track(nest)))).containsExactly("a[10, 18)@104", "b[18, 30)@500");
        assertThat(LivePicture.of(Cuts.of(Cuts.track(nest))).get(1).path()).containsExactly(0, 0, 0, 1);
    }

    /** Against the definition itself, frame by frame: the topmost enabled event there. */
    @Test
    void randomTracksShowAtEachFrameWhatTheDefinitionSays() {
        Random random = new Random(5);
        for (int round = 0; round < 200; round++) {
            Track[] tracks = new Track[3];
            for (int l = 0; l < 3; l++) {
                Event[] events = new Event[random.nextInt(4) + 1];
                long at = 0;
                for (int e = 0; e < events.length; e++) {
                    at += random.nextInt(6);
                    long length = random.nextInt(12) + 1;
                    events[e] = Cuts.clip("c" + l + e, at, at + length, random.nextInt(50));
                    at += length;
                }
                tracks[l] = Cuts.track(events);
            }
            Cut cut = Cuts.of(tracks);
            List<LiveEvent> live = LivePicture.of(cut);
            for (long f = cut.record().in(); f < cut.record().out(); f++) {
                long frame = f;
                List<String> shown = live.stream().filter(p -> p.record().contains(frame))
                        .map(p -> p.event().name() + p.time().frameAt(frame)).toList();
                assertThat(shown).isEqualTo(topmost(tracks, frame));
            }
        }
    }

    private static List<String> topmost(Track[] tracks, long frame) {
        for (int l = tracks.length - 1; l >= 0; l--) {
            for (Event event : tracks[l].events()) {
                if (event.record().contains(frame)) {
                    return List.of(event.name() + event.time().frameAt(frame));
                }
            }
        }
        return List.of();
    }

    @Test
    void aClipOfAnotherRateRunsAtRealTime() {
        Source source = Source.named("a", null, FrameRate.FPS_25);
        assertThat(Event.normalSlope(source, FrameRate.FPS_24)).isEqualTo(Rational.of(25, 24));
    }
}
