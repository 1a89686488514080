package freshsplice.core.identity;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.changes.CutChanges;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.identity.SameSources.Sureness;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Lists that name a reel and no clip, shortened on their way. */
class ShortReelsTest {
    private static Cut cut(int clips, IntFunction<String> reel) {
        List<Event> events = new ArrayList<>();
        for (int i = 0; i < clips; i++) {
            FrameRange record = FrameRange.ofLength(i * 40L, 40);
            events.add(Event.clip(null, "", record, new Source(null, reel.apply(i), null, FrameRate.FPS_24, null, null),
                    TimeMap.constant(record, Rational.of(100), Rational.ONE)));
        }
        return Cuts.of(Cuts.track(events.toArray(Event[]::new)));
    }

    @Test
    @DisplayName("an unchanged cut of reels HA_010 to HA_330, shortened to HA010 and so on, has no change")
    void unchanged() {
        Cut ours = cut(33, i -> "HA_%03d".formatted((i + 1) * 10));
        Cut listed = cut(33, i -> "HA%03d".formatted((i + 1) * 10));
        assertThat(CutChanges.between(ours, listed, 8).changes()).isEmpty();
        assertThat(CutChanges.between(listed, ours, 8).changes()).isEmpty();
    }

    @Test
    @DisplayName("where two of ours shorten to the same it is no sure thing, and says so")
    void doubt() {
        List<String> ours = List.of("HA_010", "HA-010", "HB_010");
        SameSources same = SameSources.of(uses(ours), uses(List.of("HA010", "HB010")), (a, b) -> null);
        assertThat(same.links()).anySatisfy(l -> {
            assertThat(l.sureness()).isEqualTo(Sureness.LIKELY);
            assertThat(l.because()).contains("though HA-010 shortens to the same");
        });
        assertThat(same.newer("reel:HB010\u0000").because()).containsExactly("the reel, shortened");
    }

    private static List<SourceUse> uses(List<String> reels) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        IntStream.range(0, reels.size()).forEach(i -> {
            Source source = new Source(null, reels.get(i), null, FrameRate.FPS_24, null, null);
            gathering.add(source.identity(), source, false, Rational.of(100), Rational.of(140));
        });
        return gathering.uses();
    }
}
