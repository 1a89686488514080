package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.NamePattern;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DeliveryTest {
    @ParameterizedTest
    @CsvSource({"sh0010_v003,sh0010,3", "SH0010_V003,none,0", "SH0010_v012.MOV,sh0010,12", "low_water_v001,low_water,1",
        "tide_pole,none,0"})
    void renderNamesComeBack(String clip, String of, int version) {
        assertThat(RenderName.parse(clip)).isEqualTo(of.equals("none") ? java.util.Optional.empty()
                : java.util.Optional.of(new RenderName(of, version)));
    }

    @Test
    void fileNamesAreSafeWhateverPeopleType() {
        assertThat(RenderName.fileSafe("../Marché de Nuit (2)\u0007")).isEqualTo("marche_de_nuit_2");
        assertThat(RenderName.fileSafe("…")).isEqualTo("unnamed");
        assertThat(RenderName.fileSafe("x".repeat(300))).hasSize(60);
        assertThat(RenderName.fileSafe("夜市 2")).isEqualTo("夜市_2");
        assertThat(RenderName.fileSafe("Ночной Рынок й")).isEqualTo("ночной_рынок_й");
        assertThat(RenderName.fileSafe("がく")).isEqualTo("がく");
        assertThat(RenderName.fileSafe("𠮷".repeat(100)).codePointCount(0, 120)).isEqualTo(60);
    }

    @Test
    @DisplayName("long names keep their version, in folders and in files that any disk takes")
    void longNames() {
        FileNames names = new FileNames("項".repeat(90), "場".repeat(90), new RenderName("鏡".repeat(90), 12), Grade.DRAFT, "cam", "usual");
        assertThat(names.folder()).endsWith("鏡_v012");
        String filled = NamePattern.movie("{project}_{scene}_{shot}_{version}").fill(Map.of(NamePattern.Part.PROJECT, "項".repeat(90),
                NamePattern.Part.SCENE, "場".repeat(90), NamePattern.Part.SHOT, "鏡".repeat(90), NamePattern.Part.VERSION, "v012"));
        assertThat(filled).endsWith("_v012").contains("項").contains("場").contains("鏡");
        assertThat(filled.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(200);
    }

    @Test
    void aRenderLiesWhereItsFramesAreShown() {
        RenderRange range = new RenderRange(Rational.of(1001), Rational.ONE, 48);
        Clip trimmed = Clip.ofShot(1, 1, FrameRange.of(500, 540), Rational.of(1005));
        assertThat(range.on(trimmed)).isEqualTo(FrameRange.of(496, 544));
        Clip slower = new Clip(1, new Clip.Content.OfShot(1), FrameRange.of(500, 540), Rational.of(1005),
                Rational.of(1, 2), true, null, null);
        assertThat(range.on(slower)).isNull();
    }

    private static final Shot SHOT = new Shot(1, "sh0010", FrameRange.of(1001, 1011), 8, -1001,
            new Shot.Anchor("k", "k", 1001, Rational.ZERO, Rational.ONE, true));

    private static Camera camera(long keyFrame, double x) {
        return Camera.named("c", FilmBack.SUPER_35).with(CameraChannel.X, new Channel(
                List.of(new Key(1001, 0, Easing.STRAIGHT), new Key(keyFrame, x, Easing.STRAIGHT)), 0));
    }

    private static Stage stage() {
        return new Stage(List.of(new Item(1, "gull", new Geometry.Figure(Shape.GULL, "#ffffff"), 1, 1, 1, Map.of(ItemChannel.Y,
                new Channel(List.of(new Key(0, 1, Easing.STRAIGHT), new Key(10, 2, Easing.STRAIGHT)), 0)))));
    }

    @Test
    void theBakeIsTheMotionAtEachExactFrame() {
        Bake bake = Bake.of(SHOT, camera(1011, 10), stage(), new RenderRange(Rational.of(2003, 2), Rational.of(1, 2),
                4), 16 / 9.0);
        Bake.Block block = bake.block(0);
        assertThat(block.views()[12]).isEqualTo(-0.5f);
        assertThat(block.views()[16 + 12]).isEqualTo(-1f);
        assertThat(block.places()[13]).isEqualTo(1.05f);
        assertThat(bake.frame(0).places()[13]).isEqualTo(1.05f);
    }

    @Test
    @DisplayName("what moves has a track, what stands has one place; every frame of every block is the motion evaluated there")
    void blocks() {
        Item standing = new Item(2, "pier", new Geometry.Figure(Shape.BLOCK, "#ffffff"), 4, 1, 2, Map.of(ItemChannel.X, Channel.constant(3)));
        Stage set = new Stage(List.of(standing, stage().items().get(0), standing));
        RenderRange range = new RenderRange(Rational.of(1001), Rational.of(1, 100), Bake.BLOCK * 2L + 3);
        Bake bake = Bake.of(SHOT, camera(1011, 10), set, range, 1);
        assertThat(bake.moving()).containsExactly(1);
        assertThat(bake.block(Bake.BLOCK * 2L).frames()).isEqualTo(3);
        assertThat(bake.block(Bake.BLOCK).places()).hasSize(Bake.BLOCK * 16);
        for (long k = 0; k < bake.frames(); k++) {
            Bake.Block block = bake.block(k / Bake.BLOCK * Bake.BLOCK);
            int in = (int) (k - block.first());
            Rational position = range.positionOf(k);
            float[] expected = new float[3 * 16];
            for (int i = 0; i < 3; i++) {
                set.items().get(i).placedAt(SHOT.actionAt(position)).copyTo(expected, i * 16);
            }
            assertThat(bake.places(block, in)).as("frame %d", k).isEqualTo(expected);
            float[] view = new float[16];
            PoseStack.of(camera(1011, 10), set).at(SHOT.momentAt(position)).view().copyTo(view, 0);
            assertThat(java.util.Arrays.copyOfRange(block.views(), in * 16, in * 16 + 16)).as("frame %d", k).isEqualTo(view);
        }
    }

    @Test
    @DisplayName("a movement worked out in blocks has the digest of all its numbers in one row")
    void digestOfBlocks() {
        Bake bake = Bake.of(SHOT, camera(1011, 10), stage(), new RenderRange(Rational.of(1001), Rational.of(1, 90), Bake.BLOCK + 40L), 1);
        float[] views = new float[(int) bake.frames() * 16];
        float[] projections = new float[views.length];
        float[] places = new float[views.length];
        float[] blurs = new float[(int) bake.frames() * 2];
        for (int k = 0; k < bake.frames(); k++) {
            Bake.Frame frame = bake.frame(k);
            blurs[k * 2] = frame.blur().focus();
            blurs[k * 2 + 1] = frame.blur().farCircle();
            System.arraycopy(frame.view(), 0, views, k * 16, 16);
            System.arraycopy(frame.projection(), 0, projections, k * 16, 16);
            System.arraycopy(frame.places(), 0, places, k * 16, 16);
        }
        assertThat(Fingerprint.digest(bake)).isEqualTo(new Fingerprint.Movement(new Fingerprint.CameraMovement(
                Fingerprint.digest(views) + Fingerprint.digest(projections), Fingerprint.digest(blurs)), Fingerprint.digest(places)));
    }

    @Test
    void aFingerprintDiffersExactlyInWhatChanged() {
        Fingerprint before = new Fingerprint(Map.of("camera", Fingerprint.digest(new float[] {1, 0f}), "set", "s"));
        assertThat(before.differences(new Fingerprint(Map.of("camera", Fingerprint.digest(new float[] {1, -0f}),
                "set", "s")))).isEmpty();
        assertThat(before.differences(new Fingerprint(Map.of("camera", Fingerprint.digest(new float[] {1.0001f, 0}),
                "set", "s", "look", "l")))).containsExactly("camera", "look");
    }

    @Test
    @DisplayName("what is handed back is what is seen: tracks above cut in, nests opened, slates as titles, black left out")
    void handedBackOverTracksAndNests() {
        Clip below = Clip.ofShot(1, 1, FrameRange.of(100, 140), Rational.of(1001));
        Clip nest = new Clip(2, new Clip.Content.OfMaster(7), FrameRange.of(140, 160), Rational.of(0), Rational.ONE,
                true, null, null);
        Clip over = Clip.ofShot(3, 2, FrameRange.of(110, 120), Rational.of(1050));
        Clip slate = new Clip(4, new Clip.Content.Slate("To come"), FrameRange.of(130, 136), Rational.ZERO,
                Rational.ONE, true, null, null);
        Master inner = new Master(7, "inner", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots",
                List.of(Clip.ofShot(5, 3, FrameRange.of(0, 20), Rational.of(2001))))));
        Master master = new Master(1, "m", FrameRate.FPS_24, false, 100, List.of(Track.of("Shots", List.of(below, nest)),
                Track.of("Above", List.of(over, slate))));
        HandBack.HandedBack back = HandBack.of(master, id -> inner, ShotRenders.NONE, Map.of(1L, known("sh0010"), 2L,
                known("sh0020"), 3L, known("sh0030")), HandBack.Rest.BOARD, List.of(), List.of());
        assertThat(back.cut().tracks().get(0).events()).extracting(e -> e.name() + " " + e.record() + " " + e.from())
                .containsExactly("sh0010 [100, 110) 1001", "sh0020 [110, 120) 1050", "sh0010 [120, 130) 1021",
                        "To come [130, 136) 0", "sh0010 [136, 140) 1037", "sh0030 [140, 160) 2001");
        assertThat(back.cut().tracks().get(0).events().get(3).kind()).isEqualTo(freshsplice.core.cut.Event.Kind.GENERATOR);
    }

    private static HandBack.KnownShot known(String code) {
        return new HandBack.KnownShot(code, SHOT.anchor(), null);
    }

    @Test
    @DisplayName("one answer per clip: how many of its frames the render has, and what changed")
    void oneAnswerPerClip() {
        Clip clip = Clip.ofShot(1, 1, FrameRange.of(500, 560), Rational.of(1001));
        SeenClip seen = new SeenClip(clip, clip.record());
        RenderRange shorter = new RenderRange(Rational.of(1006), Rational.ONE, 55);
        assertThat(RenderStand.of(seen, renders(shorter)).words()).isEqualTo("covers 55 of 60 frames");
        ShotRenders whole = renders(RenderRange.of(clip, clip.record()));
        assertThat(RenderStand.of(seen, whole).isCurrent()).isTrue();
        assertThat(RenderStand.of(seen, whole.changed(Map.of(1L, List.of("camera", "set")))).words())
                .isEqualTo("stale: camera and set changed");
        Clip retimed = new Clip(1, clip.content(), clip.record(), clip.from(), Rational.of(2), true, null, null);
        RenderStand other = RenderStand.of(new SeenClip(retimed, clip.record()), whole);
        assertThat(other.words()).isEqualTo("stale: speed changed");
        assertThat(other.covered()).isZero();
        assertThat(RenderStand.of(seen, ShotRenders.NONE)).as("never rendered").isNull();
    }

    private static ShotRenders renders(RenderRange range) {
        return ShotRenders.of(List.of(new FinishedRender(1, 1, new RenderName("sh0010", 1), Grade.DRAFT, "f", range, 0)), g -> true);
    }

    @Test
    @DisplayName("a shot in two clips on two tracks is one shot, and its render stands when it covers both")
    void aShotInTwoClips() {
        Clip first = Clip.ofShot(1, 1, FrameRange.of(0, 20), Rational.of(1001));
        Clip second = Clip.ofShot(2, 1, FrameRange.of(30, 50), Rational.of(1011));
        Master master = new Master(1, "m", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", List.of(first)),
                Track.of("Above", List.of(second))));
        LiveClips live = new LiveClips(id -> null);
        List<List<LiveClips.Live>> tracks = List.of(live.ofTrack(master, 0), live.ofTrack(master, 1));
        ShotRenders renders = renders(RenderRange.of(first, first.record()));
        Map<Long, ShotStands.OfShot> shots = ShotStands.of(tracks, live.of(master), renders);
        assertThat(shots).hasSize(1);
        assertThat(shots.get(1L).stand().words()).isEqualTo("covers 30 of 40 frames");
        assertThat(shots.get(1L).frames()).isEqualTo(40);
        assertThat(ShotStands.asksForARender(false, shots.get(1L).stand())).isTrue();
        assertThat(ShotStands.asksForARender(false, null)).as("nobody staged it").isFalse();
        Clip over = Clip.ofShot(3, 1, FrameRange.of(0, 24), Rational.of(1001));
        Master covered = master.withTrack(1, List.of(over));
        Map<Long, ShotStands.OfShot> tried = ShotStands.of(List.of(live.ofTrack(covered, 0), live.ofTrack(covered, 1)),
                live.of(covered), renders);
        assertThat(tried.get(1L).stand().words()).as("what lies under a try counts for nothing").isEqualTo("covers 20 of 24 frames");
    }

    @Test
    void oneRuleSaysWhichFrameOfAMovieShowsARecordFrame() {
        Clip dissolved = Clip.ofShot(1, 7, FrameRange.of(1006, 1054), Rational.of(1001))
                .withTransitions(new Transition(Transition.Kind.DISSOLVE, 6, 6), null);
        RenderRange movie = RenderRange.of(dissolved, FrameRange.of(1000, 1054));
        assertThat(movie.from()).isEqualTo(Rational.of(995));
        assertThat(movie.frameAt(dissolved, 1000)).isEqualTo(0);
        assertThat(movie.frameAt(dissolved, 1006)).as("at the cut the movie is six frames in").isEqualTo(6);
        assertThat(movie.frameAt(dissolved, 1054)).isEqualTo(-1);
        Clip half = new Clip(1, new Clip.Content.OfShot(7), FrameRange.of(0, 96), Rational.of(1001),
                Rational.of(1, 2), true, null, null);
        RenderRange slow = RenderRange.of(half, FrameRange.of(0, 96));
        assertThat(slow.frameAt(half, 95)).as("a movie of the half speed runs frame by frame").isEqualTo(95);
        RenderRange plain = new RenderRange(Rational.of(1001), Rational.ONE, 48);
        assertThat(plain.frameAt(half, 95)).as("one at full speed shows each of its frames twice").isEqualTo(47);
        assertThat(plain.frameAt(half, 3)).isEqualTo(1);
    }
}
