package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.delivery.Bake;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.stage.Stage;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import org.lwjgl.system.MemoryUtil;

/** Draws sets into memory. Belongs to one thread, which must also close it. */
public final class StagePainter implements AutoCloseable {
    private static final int SAMPLES = 4;
    /** How thick lines of aids are, as a share of the picture's height. */
    private static final float LINE_SHARE = 1.5f / 720;

    private final OffscreenContext context = new OffscreenContext();
    private final GlProgram item = new GlProgram("item");
    private final GlProgram sky = new GlProgram("sky");
    private final LinePass lines = new LinePass();
    private final BlurPass blurPass = new BlurPass();
    private final SetParts parts = new SetParts();
    private DrawnSet set;
    private Stage stage;
    private PictureForm form;
    private float flat;
    private int drawBuffer;
    private final List<Integer> stores = new ArrayList<>();
    /** What was drawn, without samples; what is finished where it is not that. */
    private DrawTarget plain;
    private DrawTarget finished;
    private SumPass sum;
    private ByteBuffer pixels;
    /** What was drawn last for somebody who waits for the finished picture. */
    private final RawPicture raw = new RawPicture();

    /** @throws CannotDraw if there is no OpenGL here */
    public StagePainter() {
        glEnable(GL_DEPTH_TEST);
        glDepthFunc(GL_LEQUAL);
        glEnable(GL_CULL_FACE);
        glPixelStorei(GL_PACK_ALIGNMENT, 1);
        glPixelStorei(GL_PACK_SWAP_BYTES, 1);
    }

    /** What draws: pictures of two that are called alike are alike to the bit. */
    public String driver() {
        return glGetString(GL_RENDERER) + ", " + glGetString(GL_VERSION);
    }

    /** The size of the pictures from now on, in pixels, with four samples each. */
    public void size(int width, int height) {
        form(PictureForm.plain(width, height));
    }

    /** How pictures are drawn from now on. */
    public void form(PictureForm wanted) {
        if (wanted.equals(form)) {
            return;
        }
        free();
        form = wanted;
        DrawTarget.Kind kind = kind();
        drawBuffer = buffer(form.edges() == FrameLook.Edges.FINE ? SAMPLES : 0, kind);
        plain = DrawTarget.of(kind, form.drawnWidth(), form.drawnHeight(), false);
        pixels = MemoryUtil.memAlloc(form.width() * form.height() * 4 * (form.deep() ? 2 : 1));
    }

    private DrawTarget.Kind kind() {
        return form.deep() ? DrawTarget.Kind.BITS_16 : DrawTarget.Kind.BITS_8;
    }

    private int buffer(int samples, DrawTarget.Kind kind) {
        int buffer = glGenFramebuffers();
        glBindFramebuffer(GL_FRAMEBUFFER, buffer);
        attach(GL_COLOR_ATTACHMENT0, kind.format(), samples);
        attach(GL_DEPTH_ATTACHMENT, GL_DEPTH_COMPONENT24, samples);
        if (glCheckFramebufferStatus(GL_FRAMEBUFFER) != GL_FRAMEBUFFER_COMPLETE) {
            throw new CannotDraw("There is not enough memory for pictures of " + form.drawnWidth() + " x " + form.drawnHeight() + " pixels");
        }
        return buffer;
    }

    private void attach(int point, int format, int samples) {
        int store = glGenRenderbuffers();
        glBindRenderbuffer(GL_RENDERBUFFER, store);
        glRenderbufferStorageMultisample(GL_RENDERBUFFER, samples, format, form.drawnWidth(), form.drawnHeight());
        glFramebufferRenderbuffer(GL_FRAMEBUFFER, point, GL_RENDERBUFFER, store);
        stores.add(store);
    }

    private void free() {
        stores.forEach(store -> glDeleteRenderbuffers(store));
        stores.clear();
        if (drawBuffer != 0) {
            glDeleteFramebuffers(drawBuffer);
            plain.delete();
        }
        if (sum != null) {
            sum.delete();
            finished.delete();
            sum = null;
        }
        if (pixels != null) {
            MemoryUtil.memFree(pixels);
            pixels = null;
        }
    }

    /** How far away the eye of a flat view stands, from now on, metres: there is no sky in it and no air on the way. 0 for views with depth. */
    public void flat(float metres) {
        flat = metres;
    }

    /** The set that is drawn from now on, in the order of the places that {@link #draw} gets. */
    public void stage(Stage wanted) {
        if (wanted != stage) {
            stage = wanted;
            set = DrawnSet.of(wanted).unplaced();
        }
    }

    /** The set that is drawn from now on. */
    public void set(DrawnSet wanted) {
        stage = null;
        set = wanted;
    }

    /**
     * Draws one picture.
     *
     * @param view       world to camera, columns first
     * @param projection camera to picture
     * @param places     thing to world, 16 values each
     * @param blur       what is out of focus, blurred; null to keep all sharp
     * @param picture    receives red, green, blue of each pixel, sRGB, rows from the top
     */
    public void draw(float[] view, float[] projection, float[] places, Bake.Blur blur, byte[] picture) {
        draw(List.of(new FrameOrder.Moment(view, projection, places, blur != null, blur == null ? 1 : blur.focus(),
                blur == null ? 0 : blur.farCircle())), raw);
        raw.take(picture);
    }

    /** Draws one picture of several moments, to be finished later. */
    void draw(List<FrameOrder.Moment> moments, RawPicture into) {
        read(drawn(moments), into);
    }

    /** @return the buffer that the picture is in */
    private int drawn(List<FrameOrder.Moment> moments) {
        boolean summed = moments.size() > 1 || !form.isAtSize() || form.alpha();
        if (!summed) {
            draw(moments.get(0), false);
            boolean direct = form.edges() != FrameLook.Edges.FINE && !moments.get(0).blur();
            return direct ? drawBuffer : plain.buffer();
        }
        if (sum == null) {
            sum = new SumPass(form.width(), form.height());
            finished = DrawTarget.of(kind(), form.width(), form.height(), false);
        }
        sum.clear();
        for (FrameOrder.Moment moment : moments) {
            draw(moment, true);
            flat(() -> sum.add(plain, 1f / moments.size(), parts::drawTriangle));
        }
        flat(() -> sum.finish(finished, parts::drawTriangle));
        return finished.buffer();
    }

    /** @param summed whether what is drawn is laid together with others */
    private void draw(FrameOrder.Moment moment, boolean summed) {
        glBindFramebuffer(GL_FRAMEBUFFER, drawBuffer);
        glViewport(0, 0, form.drawnWidth(), form.drawnHeight());
        glClearColor(0, 0, 0, 0);
        boolean sky = !form.alpha() && flat == 0;
        // the sky is behind everything and so leaves nothing of what was there before
        glClear(sky ? GL_DEPTH_BUFFER_BIT : GL_COLOR_BUFFER_BIT | GL_DEPTH_BUFFER_BIT);
        // rows are read from the bottom, so the picture is drawn upside down and front faces turn the other way
        glFrontFace(GL_CW);
        drawItems(moment);
        if (sky) {
            drawSky(moment);
        }
        lines.draw(set, moment, form.drawnWidth(), form.drawnHeight(), LINE_SHARE * form.drawnHeight());
        if (moment.blur()) {
            blurPass.draw(drawBuffer, plain, kind(), new Bake.Blur(moment.focus(), moment.farCircle()), form.alpha(), parts::drawTriangle);
        } else if (form.edges() == FrameLook.Edges.FINE || summed) {
            glBindFramebuffer(GL_READ_FRAMEBUFFER, drawBuffer);
            glBindFramebuffer(GL_DRAW_FRAMEBUFFER, plain.buffer());
            glBlitFramebuffer(0, 0, form.drawnWidth(), form.drawnHeight(), 0, 0, form.drawnWidth(), form.drawnHeight(),
                    GL_COLOR_BUFFER_BIT, GL_NEAREST);
        }
    }

    /** Works on pictures, in which nothing lies behind anything. */
    private static void flat(Runnable work) {
        glDisable(GL_DEPTH_TEST);
        glFrontFace(GL_CCW);
        work.run();
        glEnable(GL_DEPTH_TEST);
    }

    /** Four values a pixel, as they lie there: anything else is turned one by one on the way. */
    private void read(int buffer, RawPicture into) {
        glBindFramebuffer(GL_READ_FRAMEBUFFER, buffer);
        pixels.clear();
        glReadPixels(0, 0, form.width(), form.height(), GL_RGBA, form.deep() ? GL_UNSIGNED_SHORT : GL_UNSIGNED_BYTE, pixels);
        pixels.get(into.room(form));
    }

    private void drawItems(FrameOrder.Moment moment) {
        item.use();
        item.setMatrix("view", moment.view());
        item.setMatrix("projection", moment.projection());
        item.set("upright", -1);
        float[] eye = eye(moment.view(), flat);
        item.set("eye", eye[0], eye[1], eye[2]);
        float[] places = set.places(moment.moved());
        if (parts.corners(set) < form.drawnWidth() * form.drawnHeight()) {
            // what lies nearest first, without its light: then each point of the picture is lit once
            glColorMask(false, false, false, false);
            parts.draw(set, places);
            glColorMask(true, true, true, true);
        }
        parts.draw(set, places);
    }

    private void drawSky(FrameOrder.Moment moment) {
        sky.use();
        sky.setMatrix("view", moment.view());
        sky.setMatrix("projection", moment.projection());
        sky.set("upright", -1);
        parts.drawTriangle();
    }

    /** Where air begins: where the camera of a view stands, its turn undone on its move, or so far before it. */
    static float[] eye(float[] v, float ahead) {
        float z = v[14] + ahead;
        return new float[] {
            -(v[0] * v[12] + v[1] * v[13] + v[2] * z),
            -(v[4] * v[12] + v[5] * v[13] + v[6] * z),
            -(v[8] * v[12] + v[9] * v[13] + v[10] * z)};
    }

    @Override
    public void close() {
        free();
        context.close();
    }
}
