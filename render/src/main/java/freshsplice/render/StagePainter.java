package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Mesh;
import freshsplice.core.stage.Stage;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.lwjgl.system.MemoryUtil;

/**
 * Draws a stage into memory. Smooth edges come from four samples a pixel. Belongs to one
 * thread, which must also close it.
 */
public final class StagePainter implements AutoCloseable {
    /** Largest side of a picture, in pixels. */
    public static final int LARGEST = PictureSize.LARGEST;
    private static final int SAMPLES = 4;
    /** Where the four columns of a place come in. */
    private static final int PLACE = 3;
    /** So many sets are kept at hand. */
    private static final int SETS = 6;

    /** @param places buffer that the places of those drawn at once come into; @param buffers all that it is kept in */
    private record Part(int array, int corners, int places, int[] buffers) {
        void delete() {
            glDeleteVertexArrays(array);
            glDeleteBuffers(buffers);
        }
    }

    private final OffscreenContext context = new OffscreenContext();
    private final GlProgram item = new GlProgram("item");
    private final GlProgram sky = new GlProgram("sky");
    private BlurPass blurPass;
    private final Part skyTriangle;
    private Part[] items = {};
    /** Indexes of the items that look alike: they are drawn at once. */
    private List<List<Integer>> alike = List.of();
    private Stage shown;
    /** By what their things look like: two sets that look alike share one. */
    private final Map<List<Geometry>, Part[]> sets = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Geometry>, Part[]> eldest) {
            if (size() <= SETS) {
                return false;
            }
            Stream.of(eldest.getValue()).distinct().forEach(Part::delete);
            return true;
        }
    };
    private int width;
    private int height;
    private int drawBuffer;
    private int readBuffer;
    private final List<Integer> stores = new ArrayList<>();
    private ByteBuffer pixels;

    /** @throws CannotDraw if there is no OpenGL here */
    public StagePainter() {
        skyTriangle = upload(new Mesh(new float[] {-1, -1, 0, 3, -1, 0, -1, 3, 0}, new float[9], new float[9],
                new int[] {0, 1, 2}));
        glEnable(GL_DEPTH_TEST);
        glDepthFunc(GL_LEQUAL);
        glEnable(GL_CULL_FACE);
        glPixelStorei(GL_PACK_ALIGNMENT, 1);
    }

    /**
     * The size of the pictures from now on, in pixels.
     *
     * @throws Refusal if a side is under 16 or over {@link #LARGEST}
     */
    public void size(int newWidth, int newHeight) {
        if (newWidth < 16 || newHeight < 16 || newWidth > LARGEST || newHeight > LARGEST) {
            throw new Refusal("A picture has 16 to " + LARGEST + " pixels a side: " + newWidth + " x "
                    + newHeight);
        }
        if (newWidth == width && newHeight == height) {
            return;
        }
        width = newWidth;
        height = newHeight;
        stores.forEach(store -> glDeleteRenderbuffers(store));
        stores.clear();
        drawBuffer = buffer(drawBuffer, SAMPLES, true);
        readBuffer = buffer(readBuffer, 0, false);
        if (pixels != null) {
            MemoryUtil.memFree(pixels);
        }
        pixels = MemoryUtil.memAlloc(width * height * 3);
    }

    private int buffer(int old, int samples, boolean depth) {
        if (old != 0) {
            glDeleteFramebuffers(old);
        }
        int buffer = glGenFramebuffers();
        glBindFramebuffer(GL_FRAMEBUFFER, buffer);
        attach(GL_COLOR_ATTACHMENT0, GL_RGBA8, samples);
        if (depth) {
            attach(GL_DEPTH_ATTACHMENT, GL_DEPTH_COMPONENT24, samples);
        }
        if (glCheckFramebufferStatus(GL_FRAMEBUFFER) != GL_FRAMEBUFFER_COMPLETE) {
            throw new CannotDraw("There is not enough memory for pictures of " + width + " x " + height + " pixels");
        }
        return buffer;
    }

    private void attach(int point, int format, int samples) {
        int store = glGenRenderbuffers();
        glBindRenderbuffer(GL_RENDERBUFFER, store);
        glRenderbufferStorageMultisample(GL_RENDERBUFFER, samples, format, width, height);
        glFramebufferRenderbuffer(GL_FRAMEBUFFER, point, GL_RENDERBUFFER, store);
        stores.add(store);
    }

    /**
     * The set that is drawn from now on, in the order of the places that {@link #draw} gets. A few sets are kept at hand, so that a
     * master that goes to and fro between scenes takes each up once.
     */
    public void stage(Stage stage) {
        if (stage == shown) {
            return;
        }
        shown = stage;
        List<Geometry> looks = stage.items().stream().map(Item::geometry).toList();
        items = sets.get(looks);
        if (items == null) {
            // things that look alike share one
            Map<Geometry, Part> parts = new HashMap<>();
            items = looks.stream().map(l -> parts.computeIfAbsent(l, own -> upload(own.mesh()))).toArray(Part[]::new);
            sets.put(looks, items);
        }
        alike = List.copyOf(IntStream.range(0, items.length).boxed()
                .collect(Collectors.groupingBy(i -> items[i], LinkedHashMap::new, Collectors.toList())).values());
    }

    private static Part upload(Mesh mesh) {
        int array = glGenVertexArrays();
        glBindVertexArray(array);
        int positions = attribute(0, mesh.positions());
        int normals = attribute(1, mesh.normals());
        int colours = attribute(2, mesh.colours());
        int indices = glGenBuffers();
        glBindBuffer(GL_ELEMENT_ARRAY_BUFFER, indices);
        glBufferData(GL_ELEMENT_ARRAY_BUFFER, mesh.indices(), GL_STATIC_DRAW);
        int places = glGenBuffers();
        glBindBuffer(GL_ARRAY_BUFFER, places);
        for (int column = 0; column < 4; column++) {
            glEnableVertexAttribArray(PLACE + column);
            glVertexAttribPointer(PLACE + column, 4, GL_FLOAT, false, 64, column * 16L);
            glVertexAttribDivisor(PLACE + column, 1);
        }
        return new Part(array, mesh.indices().length, places, new int[] {positions, normals, colours, indices, places});
    }

    private static int attribute(int place, float[] values) {
        int store = glGenBuffers();
        glBindBuffer(GL_ARRAY_BUFFER, store);
        glBufferData(GL_ARRAY_BUFFER, values, GL_STATIC_DRAW);
        glEnableVertexAttribArray(place);
        glVertexAttribPointer(place, 3, GL_FLOAT, false, 0, 0);
        return store;
    }

    /**
     * Draws one picture.
     *
     * @param view       world to camera, columns first
     * @param projection camera to picture
     * @param places     item to world, 16 values an item
     * @param from       index of the first item's first value
     * @param blur       what is out of focus, blurred; null to keep all sharp
     * @param picture    receives red, green, blue of each pixel, sRGB, rows from the top
     */
    public void draw(float[] view, float[] projection, float[] places, int from, Bake.Blur blur, byte[] picture) {
        glBindFramebuffer(GL_FRAMEBUFFER, drawBuffer);
        glViewport(0, 0, width, height);
        glClear(GL_COLOR_BUFFER_BIT | GL_DEPTH_BUFFER_BIT);
        // rows are read from the bottom, so the picture is drawn upside down and front faces turn the other way
        glFrontFace(GL_CW);
        drawItems(view, projection, places, from);
        drawSky(view, projection);
        if (blur == null) {
            glBindFramebuffer(GL_READ_FRAMEBUFFER, drawBuffer);
            glBindFramebuffer(GL_DRAW_FRAMEBUFFER, readBuffer);
            glBlitFramebuffer(0, 0, width, height, 0, 0, width, height,
                    GL_COLOR_BUFFER_BIT, GL_NEAREST);
        } else {
            blurPass = blurPass == null ? new BlurPass() : blurPass;
            blurPass.draw(drawBuffer, readBuffer, width, height, blur, this::drawTriangle);
        }
        glBindFramebuffer(GL_READ_FRAMEBUFFER, readBuffer);
        pixels.clear();
        glReadPixels(0, 0, width, height, GL_RGB, GL_UNSIGNED_BYTE, pixels);
        pixels.get(picture, 0, width * height * 3);
    }

    private void drawItems(float[] view, float[] projection, float[] places, int from) {
        item.use();
        item.setMatrix("view", view);
        item.setMatrix("projection", projection);
        item.set("upright", -1);
        float[] eye = eye(view);
        item.set("eye", eye[0], eye[1], eye[2]);
        for (List<Integer> some : alike) {
            draw(items[some.get(0)], shown(some, places, from));
        }
    }

    /** The places of those that are shown, one after another. */
    private static float[] shown(List<Integer> some, float[] places, int from) {
        float[] shown = new float[some.size() * 16];
        int count = 0;
        for (int i : some) {
            int at = from + i * 16;
            if (places[at] != 0 || places[at + 5] != 0 || places[at + 10] != 0 || places[at + 2] != 0) {
                System.arraycopy(places, at, shown, count++ * 16, 16);
            }
        }
        return Arrays.copyOf(shown, count * 16);
    }

    private static void draw(Part part, float[] places) {
        if (places.length > 0) {
            glBindVertexArray(part.array());
            glBindBuffer(GL_ARRAY_BUFFER, part.places());
            glBufferData(GL_ARRAY_BUFFER, places, GL_STREAM_DRAW);
            glDrawElementsInstanced(GL_TRIANGLES, part.corners(), GL_UNSIGNED_INT, 0, places.length / 16);
        }
    }

    private void drawSky(float[] view, float[] projection) {
        sky.use();
        sky.setMatrix("view", view);
        sky.setMatrix("projection", projection);
        sky.set("upright", -1);
        drawTriangle();
    }

    private void drawTriangle() {
        glBindVertexArray(skyTriangle.array());
        glDrawElements(GL_TRIANGLES, skyTriangle.corners(), GL_UNSIGNED_INT, 0);
    }

    /** Where the camera of a view stands: its turn undone on its move. */
    static float[] eye(float[] v) {
        return new float[] {
            -(v[0] * v[12] + v[1] * v[13] + v[2] * v[14]),
            -(v[4] * v[12] + v[5] * v[13] + v[6] * v[14]),
            -(v[8] * v[12] + v[9] * v[13] + v[10] * v[14])};
    }

    @Override
    public void close() {
        context.close();
        if (pixels != null) {
            MemoryUtil.memFree(pixels);
            pixels = null;
        }
    }
}
