package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class CutRangesTest {
    @RepeatedTest(200)
    @DisplayName("every frame that a clip shows lies in its shot's range, and both its ends are shown")
    void everyFrame(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> clips = new ArrayList<>();
        long at = 1000;
        for (int i = 0; i < 8; i++) {
            long length = 2 + random.nextInt(30);
            Clip clip = new Clip(i + 1L, new Clip.Content.OfShot(1 + random.nextInt(3)),
                    FrameRange.ofLength(at, length), Rational.of(2002 + random.nextInt(80), 1 + random.nextInt(3)),
                    Rational.of(random.nextInt(9) - 4, 1 + random.nextInt(3)), true, null, null);
            boolean dissolves = i > 0 && random.nextInt(3) == 0;
            clips.add(dissolves ? clip.withTransitions(new Transition(Transition.Kind.DISSOLVE, 1, 1), null) : clip);
            at += length;
        }
        Map<Long, FrameRange> shown = new HashMap<>();
        for (int i = 0; i < clips.size(); i++) {
            Clip clip = clips.get(i);
            FrameRange seen = clip.seen(i + 1 < clips.size() ? clips.get(i + 1) : null);
            for (long f = seen.in(); f < seen.out(); f++) {
                shown.merge(clip.shotId(), FrameRange.ofLength(clip.at(f).floor(), 1), FrameRange::spanWith);
            }
        }
        assertThat(CutRanges.of(clips)).isEqualTo(shown);
    }

    @Test
    @DisplayName("a dissolve into the next clip belongs to both shots")
    void transitions() {
        Clip a = Clip.ofShot(1, 1, FrameRange.of(0, 50), Rational.of(1001));
        Clip b = Clip.ofShot(2, 2, FrameRange.of(50, 100), Rational.of(1001))
                .withTransitions(new Transition(Transition.Kind.DISSOLVE, 6, 6), null);
        assertThat(CutRanges.of(List.of(a, b))).containsEntry(1L, FrameRange.of(1001, 1057))
                .containsEntry(2L, FrameRange.of(995, 1051));
    }

    @Test
    @DisplayName("tracks that are switched off keep their frames; what is no shot has none")
    void tracks() {
        Clip a = Clip.ofShot(1, 1, FrameRange.of(0, 50), Rational.of(1001));
        Clip off = Clip.ofShot(2, 1, FrameRange.of(0, 10), Rational.of(1101));
        Clip slate = a.showing(new Clip.Content.Slate("Gulls to come"), Rational.ZERO).shiftedBy(50).named(3);
        Master master = new Master(1, "Reel", freshsplice.core.time.FrameRate.FPS_24, false, 0,
                List.of(Track.of("Shots", List.of(a, slate)), Track.of(2, "Tries", false, false, List.of(off))));
        assertThat(CutRanges.of(master)).containsExactly(Map.entry(1L, FrameRange.of(1001, 1111)));
    }
}
