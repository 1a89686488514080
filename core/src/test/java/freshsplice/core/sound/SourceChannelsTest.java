package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import org.junit.jupiter.api.Test;

class SourceChannelsTest {
    private static Event event(String reel, long in, long from) {
        FrameRange record = FrameRange.ofLength(in, 48);
        return Event.clip(null, reel, record, Source.named(reel, reel, FrameRate.FPS_24),
                TimeMap.constant(record, Rational.of(from), Rational.ONE));
    }

    private static Track track(String name, Event... events) {
        return new Track(Track.Kind.SOUND, name, true, List.of(events), List.of());
    }

    @Test
    void tracksThatLayTheSameStretchPlayAChannelEach() {
        assertThat(SourceChannels.of(List.of(track("A1", event("wind", 0, 10), event("bell", 48, 0)),
                track("A2", event("wind", 0, 10), event("bell", 48, 5)), track("A3", event("gulls", 0, 0)))))
                .containsExactly(List.of(1, 0), List.of(2, 0), List.of(0));
    }

    @Test
    void aTrackThatTheListNamesIsPlayed() {
        assertThat(SourceChannels.of(List.of(track("A1", event("wind", 0, 10).playing(2)), track("A2", event("wind", 0, 10).playing(1)))))
                .containsExactly(List.of(2), List.of(1));
        assertThat(SourceChannels.of(List.of(track("A1", event("wind", 0, 10).playing(2))))).containsExactly(List.of(0));
    }

    @Test
    void oddChannelsAreHeardAtTheLeft() {
        assertThat(List.of(1, 2, 3, 4)).extracting(SourceChannels::isLeft).containsExactly(true, false, true, false);
    }
}
