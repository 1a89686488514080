package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Clip;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class JoinedRendersTest {
    private static FinishedRender render(int version, RenderRange range) {
        return new FinishedRender(version, 1, new RenderName("sh0010", version), Grade.DRAFT, "f", range, 0);
    }

    private static SeenClip clip(long record, Rational from, long frames, Rational speed) {
        FrameRange range = FrameRange.ofLength(record, frames);
        return new SeenClip(new Clip(record, new Clip.Content.OfShot(1), range, from, speed, true, null, null), range);
    }

    @Test
    @DisplayName("what is joined is, frame by frame, what stands for it: the same render at the very position that the clip shows")
    void asTheCoverHasIt() {
        Rational[] speeds = {Rational.ONE, Rational.of(2), Rational.of(-1), Rational.of(3, 2), Rational.ZERO};
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            List<SeenClip> clips = new ArrayList<>();
            List<FinishedRender> renders = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                clips.add(clip(1000L * i, Rational.of(1000 + random.nextInt(60)), 10 + random.nextInt(30), speeds[random.nextInt(speeds.length)]));
            }
            for (int v = 1; v < 5; v++) {
                renders.add(render(v, new RenderRange(Rational.of(980 + random.nextInt(80)), speeds[random.nextInt(speeds.length)], 1 + random.nextInt(60))));
            }
            ShotRenders all = ShotRenders.of(renders, g -> true);
            JoinedRenders joined = new JoinedRenders(clips, all);
            for (SeenClip clip : clips) {
                for (Cover.Part part : all.cover(clip).parts()) {
                    for (long record = part.record().in(); record < part.record().out(); record++) {
                        Rational position = clip.clip().at(record);
                        Optional<JoinedRenders.RenderFrame> shown = joined.at(1, position);
                        assertThat(shown).as("seed %d, record %d", seed, record).isPresent();
                        assertThat(shown.get().render().range().positionOf(shown.get().frame())).as("seed %d", seed).isEqualTo(position);
                    }
                }
            }
            for (long position = 960; position < 1200; position++) {
                Rational at = Rational.of(position);
                boolean any = renders.stream().anyMatch(r -> shows(r.range(), at));
                Optional<JoinedRenders.RenderFrame> shown = joined.at(1, at);
                assertThat(shown.isPresent()).as("seed %d, %d: drawn only where no render shows it", seed, position).isEqualTo(any);
                assertThat(shown.stream().map(JoinedRenders.RenderFrame::render)).as("seed %d: its movie is known", seed).allMatch(joined.all()::contains);
            }
        }
    }

    private static boolean shows(RenderRange range, Rational position) {
        for (long k = 0; k < range.frames(); k++) {
            if (range.positionOf(k).equals(position)) {
                return true;
            }
        }
        return false;
    }

    @Test
    @DisplayName("the one that has all of a clip goes before a newer one that has some")
    void wholeBeforeNewer() {
        ShotRenders all = ShotRenders.of(List.of(render(1, new RenderRange(Rational.of(1000), Rational.ONE, 50)),
                render(2, new RenderRange(Rational.of(1010), Rational.ONE, 5))), g -> true);
        JoinedRenders joined = new JoinedRenders(List.of(clip(0, Rational.of(1000), 50, Rational.ONE)), all);
        assertThat(joined.at(1, Rational.of(1012)).orElseThrow()).isEqualTo(new JoinedRenders.RenderFrame(all.ofShot(1).get(1), 12));
        assertThat(joined.at(1, Rational.of(1012, 5))).isEmpty();
        assertThat(joined.at(2, Rational.of(1012))).isEmpty();
        assertThat(joined.all()).extracting(FinishedRender::id).as("all that a frame may come from").containsExactly(2L, 1L);
        assertThat(joined.digest()).isEqualTo(new JoinedRenders(List.of(clip(0, Rational.of(1000), 50, Rational.ONE)), all).digest())
                .isNotEqualTo(new JoinedRenders(List.of(clip(1, Rational.of(1000), 50, Rational.ONE)), all).digest());
    }

    @Test
    @DisplayName("a render whose speed changes is found at each of its moments")
    void keyed() {
        List<RetimeKey> retimeKeys = List.of(new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.STRAIGHT), new RetimeKey(Rational.of(10), Rational.of(1006), RetimeInterpolation.STRAIGHT),
                new RetimeKey(Rational.of(20), Rational.of(1026), RetimeInterpolation.STRAIGHT));
        RenderRange range = new RenderRange(Rational.of(1001), Rational.of(5, 4), 20, retimeKeys);
        JoinedRenders joined = new JoinedRenders(List.of(), ShotRenders.of(List.of(render(1, range)), g -> true));
        for (long k = 0; k < 20; k++) {
            assertThat(joined.at(1, range.positionOf(k)).orElseThrow().frame()).isEqualTo(k);
        }
        assertThat(joined.at(1, Rational.of(4007, 4))).isEmpty();
    }
}
