package freshsplice.core.delivery;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Optics;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.function.LongFunction;

/**
 * Movement evaluated frame by frame: what the renderer draws and the browser plays. The rules of movement exist once,
 * here; playing back is a table look-up. What stands is worked out once and what moves in blocks of frames, so that a long
 * shot in a large set costs what moves in it.
 */
public final class Bake {
    /** Frames that are worked out at once. */
    public static final int BLOCK = 256;
    /** Values of a matrix, columns first. */
    public static final int MATRIX = Stage.PLACE;
    public static final int LENS_VALUES = 4;

    private final Shot shot;
    private final FilmBack back;
    private final PoseStack stack;
    private final List<Item> items;
    private final long frames;
    private final LongFunction<Rational> positions;
    private final double aspect;
    private final int[] moving;
    private final float[] standing;
    private Block latest;

    /**
     * Some frames one after another.
     *
     * @param first       which of the bake's frames it begins at
     * @param frames      how many
     * @param views       world to camera, a matrix a frame
     * @param projections camera to picture, a matrix a frame
     * @param lenses      focal length in mm, focus distance in m, T-stop, and the circle of a point without end away as a share of the
     *                    picture's width, {@link #LENS_VALUES} values a frame
     * @param places      item to world of the items that move, a matrix each, those of a frame together
     */
    public record Block(long first, int frames, float[] views, float[] projections, float[] lenses, float[] places) {
    }

    /** One frame whole. @param places item to world of every item, a matrix each; @param blur what is out of focus in it */
    public record Frame(float[] view, float[] projection, float[] places, Blur blur) {
    }

    /** One frame. @param moved item to world of the items that move, a matrix each; @param blur what is out of focus in it */
    public record CameraView(float[] view, float[] projection, float[] moved, Blur blur) {
    }

    /**
     * How sharp a picture is where.
     *
     * @param focus     distance of what is in focus along the line of sight, metres
     * @param farCircle diameter of a point without end away, as a share of the picture's width; at d metres it is this · |d − focus| / d
     */
    public record Blur(float focus, float farCircle) {
    }

    private Bake(Shot shot, Camera camera, Stage stage, long frames, LongFunction<Rational> positions, double aspect) {
        this.shot = shot;
        this.back = camera.back();
        this.stack = PoseStack.of(camera, stage);
        this.items = stage.items();
        this.frames = frames;
        this.positions = positions;
        this.aspect = aspect;
        this.moving = stage.moving();
        this.standing = stage.standing();
    }

    /** @param aspect width over height of the picture */
    public static Bake of(Shot shot, Camera camera, Stage stage, RenderRange range, double aspect) {
        return new Bake(shot, camera, stage, range.frames(), range::positionOf, aspect);
    }

    /**
     * Frames at any positions, as a clip of a master shows its shot.
     *
     * @param positions exact shot frames, at least one
     * @param after     where the frame after the last one would be
     */
    static Bake of(FilmedShot filmed, List<Rational> positions, Rational after) {
        Rational second = positions.size() > 1 ? positions.get(1) : after;
        Rational before = positions.get(0).times(2).minus(second);
        return new Bake(filmed.shot(), filmed.camera(), filmed.stage(), positions.size(), k -> k < 0 ? before : k < positions.size() ? positions.get((int) k) : after, 1);
    }

    public long frames() {
        return frames;
    }

    /** How many items there are, those that stand too. */
    public int items() {
        return items.size();
    }

    /** Indexes of the items that have a track of their own; all others stand. */
    public int[] moving() {
        return moving.clone();
    }

    /** Item to world of the items that stand, a matrix for every item; zeros for those that move. */
    public float[] standing() {
        return standing.clone();
    }

    /** The exact shot frame of one of the frames. */
    public Rational position(long frame) {
        return positions.apply(frame);
    }

    /** The exact action frame of one of the frames. */
    public Rational action(long frame) {
        return shot.actionAt(position(frame));
    }

    /**
     * The block that begins at a frame; shorter than {@link #BLOCK} at the end. The one that was asked for last is kept: a short shot is
     * worked out once, however often it is gone through. Its numbers are to be read only.
     */
    public Block block(long first) {
        Block known = latest;
        if (known == null || known.first() != first) {
            known = block(first, (int) Math.min(BLOCK, frames() - first));
            latest = known;
        }
        return known;
    }

    private Block block(long first, int count) {
        return block(first, count, k -> position(first + k));
    }

    /** @param positions of each of its frames */
    private Block block(long first, int count, LongFunction<Rational> positions) {
        Block block = new Block(first, count, new float[count * MATRIX], new float[count * MATRIX], new float[count * LENS_VALUES],
                new float[count * moving.length * MATRIX]);
        for (int k = 0; k < count; k++) {
            Rational position = positions.apply(k);
            CameraPose pose = stack.at(shot.momentAt(position));
            pose.view().copyTo(block.views, k * MATRIX);
            pose.projection(back, aspect).copyTo(block.projections, k * MATRIX);
            block.lenses[k * LENS_VALUES] = (float) pose.lens();
            block.lenses[k * LENS_VALUES + 1] = (float) pose.focus();
            block.lenses[k * LENS_VALUES + 2] = (float) pose.stop();
            block.lenses[k * LENS_VALUES + 3] = (float) (Optics.farCircle(pose.lens(), pose.stop(), pose.focus()) / back.widthMm());
            Rational action = shot.actionAt(position);
            for (int m = 0; m < moving.length; m++) {
                items.get(moving[m]).placedAt(action).copyTo(block.places, (k * moving.length + m) * MATRIX);
            }
        }
        return block;
    }

    /** One frame, with the places of all items. */
    public Frame frame(long at) {
        return frame(position(at));
    }

    /** What is seen at any exact shot frame. */
    public Frame frame(Rational position) {
        Block block = block(0, 1, k -> position);
        return new Frame(block.views, block.projections, places(block, 0), new Blur(block.lenses[1], block.lenses[3]));
    }

    /** What is seen at any exact shot frame, without what stands. */
    public CameraView seen(Rational position) {
        Block block = block(0, 1, k -> position);
        return new CameraView(block.views, block.projections, block.places, new Blur(block.lenses[1], block.lenses[3]));
    }

    /** The places of all items in what is seen at a frame. */
    float[] places(CameraView at) {
        return Stage.places(standing, moving, at.moved(), 0);
    }

    /** Focal length at any exact shot frame, mm. */
    public double lensAt(Rational position) {
        return stack.at(shot.momentAt(position)).lens();
    }

    /** The places of all items at a frame of a block. */
    float[] places(Block block, int frame) {
        return Stage.places(standing, moving, block.places, frame * moving.length * MATRIX);
    }
}
