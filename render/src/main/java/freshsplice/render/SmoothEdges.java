package freshsplice.render;

import java.util.stream.IntStream;

/**
 * Smooths the edges of a picture by what is seen in it alone: where a line of strong contrast runs along rows or columns in steps, each
 * pixel beside it takes as much of the other side as the line through the ends of its step would cut from it. On the processor's own
 * cores: a graphics card that is made of them as well takes several times as long for it.
 */
final class SmoothEdges {
    /** Least contrast that is an edge, of 255. */
    private static final int LEAST = 11;
    /** And of the brightest beside it: an eighth. */
    private static final int SHIFT = 3;
    /** How far a step is followed to either side, in pixels. */
    private static final int FARTHEST = 16;
    /** Rows that are worked on at once. */
    private static final int BAND = 24;

    private final int width;
    private final int height;
    private final int channels;
    private final boolean deep;
    private final int[] bright;
    private byte[] source;

    /** @param like what comes of it */
    SmoothEdges(Pixels like) {
        width = like.width();
        height = like.height();
        channels = like.alpha() ? 4 : 3;
        deep = like.deep();
        bright = new int[width * height];
    }

    /**
     * @param drawn red, green, blue and cover of each pixel, with as many bits as what comes of it
     * @param into  of the size and kind that this was made for
     */
    void smooth(byte[] drawn, Pixels into) {
        source = drawn;
        byte[] bytes = into.bytes();
        bands((from, to) -> take(bytes, from, to));
        bands((from, to) -> smooth(bytes, from, to));
    }

    private interface Rows {
        void work(int from, int to);
    }

    private void bands(Rows rows) {
        IntStream.range(0, (height + BAND - 1) / BAND).parallel().forEach(b -> rows.work(b * BAND, Math.min(height, (b + 1) * BAND)));
    }

    /** Takes pixels as they are, and how bright each is, of 255: weights of ITU-R BT.601, near enough for finding edges. What is left out is dark. */
    private void take(byte[] into, int from, int to) {
        if (deep || channels == 4) {
            for (int i = from * width; i < to * width; i++) {
                take(into, i);
            }
            return;
        }
        for (int i = from * width; i < to * width; i++) {
            int pixel = (int) FourBytes.AS_ONE.get(source, i * 4);
            bright[i] = brightness(pixel & 0xFF, pixel >> 8 & 0xFF, pixel >> 16 & 0xFF);
        }
        FourBytes.threeOfEach(source, into, from * width, to * width);
    }

    private void take(byte[] into, int pixel) {
        int size = deep ? 2 : 1;
        int from = pixel * 4 * size;
        System.arraycopy(source, from, into, pixel * channels * size, channels * size);
        bright[pixel] = brightness(source[from] & 0xFF, source[from + size] & 0xFF, source[from + 2 * size] & 0xFF);
    }

    private static int brightness(int red, int green, int blue) {
        return 77 * red + 150 * green + 29 * blue >> 8;
    }

    private void smooth(byte[] into, int from, int to) {
        Contrasts contrasts = new Contrasts(width - 2);
        for (int y = Math.max(1, from); y < Math.min(height - 1, to); y++) {
            int[] over = contrasts.of(bright, y * width + 1, width);
            for (int x = 1; x < width - 1; x++) {
                if (over[x - 1] >= 0) {
                    edge(into, y * width + x, x, y);
                }
            }
        }
    }

    /**
     * How far what lies beside each pixel of a row differs more than what is no edge; most pixels are below it. In loops so plain that a
     * compiler does many pixels at once: no two places of one array, no branch, no call. d & d >> 31 is the lesser of d and 0.
     */
    private static final class Contrasts {
        private final int[] most;
        private final int[] least;
        private final int[] beside;

        Contrasts(int length) {
            most = new int[length];
            least = new int[length];
            beside = new int[length];
        }

        /** @param at the first pixel; @param width of a row; @return below 0 where there is no edge, until it is asked again */
        int[] of(int[] bright, int at, int width) {
            System.arraycopy(bright, at, most, 0, most.length);
            System.arraycopy(bright, at, least, 0, least.length);
            for (int next : new int[] {at - 1, at + 1, at - width, at + width}) {
                System.arraycopy(bright, next, beside, 0, beside.length);
                widen(most, least, beside);
            }
            over(most, least);
            return most;
        }

        private static void widen(int[] most, int[] least, int[] by) {
            for (int x = 0; x < most.length; x++) {
                int value = by[x];
                int above = most[x] - value;
                int below = least[x] - value;
                most[x] -= above & above >> 31;
                least[x] = value + (below & below >> 31);
            }
        }

        private static void over(int[] most, int[] least) {
            for (int x = 0; x < most.length; x++) {
                int more = (most[x] >> SHIFT) - LEAST;
                most[x] -= least[x] + LEAST + (more & ~(more >> 31));
            }
        }
    }

    private void edge(byte[] into, int i, int x, int y) {
        int around = 2 * bright[i];
        int upDown = bright[i - width] + bright[i + width] - around;
        int leftRight = bright[i - 1] + bright[i + 1] - around;
        // the line runs along rows where brightness changes more from row to row
        boolean rows = Math.abs(upDown) >= Math.abs(leftRight);
        int place = rows ? x : y;
        int across = rows ? width : 1;
        int along = rows ? 1 : width;
        int here = bright[i];
        int ahead = bright[i + across];
        int behind = bright[i - across];
        int side = Math.abs(ahead - here) >= Math.abs(behind - here) ? across : -across;
        int other = bright[i + side];
        // sums of both sides of the line, twice the mean
        int pair = here + other;
        int least = Math.max(1, Math.abs(other - here) / 2);
        int room = (rows ? width : height) - 1 - place;
        int after = 1;
        int afterDiffers = 0;
        for (; after <= Math.min(FARTHEST, room); after++) {
            afterDiffers = bright[i + along * after] + bright[i + along * after + side] - pair;
            if (Math.abs(afterDiffers) >= least) {
                break;
            }
        }
        int before = 1;
        int beforeDiffers = 0;
        for (; before <= Math.min(FARTHEST, place); before++) {
            beforeDiffers = bright[i - along * before] + bright[i - along * before + side] - pair;
            if (Math.abs(beforeDiffers) >= least) {
                break;
            }
        }
        // of the two ends the nearer one says on which side of the line this pixel lies
        int differs = before < after ? beforeDiffers : afterDiffers;
        boolean cut = differs < 0 != here < other && differs != 0;
        double share = cut ? 0.5 - Math.min(before, after) / (double) (before + after) : 0;
        if (share > 0) {
            mix(into, i, i + side, share);
        }
    }

    private void mix(byte[] into, int pixel, int other, double share) {
        int part = (int) Math.round(share * 256);
        for (int c = 0; c < channels; c++) {
            if (deep) {
                int at = (pixel * channels + c) * 2;
                int own = value((pixel * 4 + c) * 2);
                int mixed = own + (value((other * 4 + c) * 2) - own) * part / 256;
                into[at] = (byte) (mixed >> 8);
                into[at + 1] = (byte) mixed;
            } else {
                int own = source[pixel * 4 + c] & 0xFF;
                into[pixel * channels + c] = (byte) (own + ((source[other * 4 + c] & 0xFF) - own) * part / 256);
            }
        }
    }

    private int value(int at) {
        return (source[at] & 0xFF) << 8 | source[at + 1] & 0xFF;
    }
}
