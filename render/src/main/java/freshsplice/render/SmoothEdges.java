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
    private final byte[] bright;
    private byte[] source;

    /** @param like what comes of it */
    SmoothEdges(Pixels like) {
        width = like.width();
        height = like.height();
        channels = like.alpha() ? 4 : 3;
        deep = like.deep();
        bright = new byte[width * height];
    }

    /**
     * @param drawn red, green, blue and cover of each pixel, with as many bits as what comes of it
     * @param into  of the size and kind that this was made for
     */
    void smooth(byte[] drawn, Pixels into) {
        source = drawn;
        byte[] bytes = into.bytes();
        bands(this::brightness);
        bands((from, to) -> smooth(bytes, from, to));
    }

    private interface Rows {
        void work(int from, int to);
    }

    private void bands(Rows rows) {
        IntStream.range(0, (height + BAND - 1) / BAND).parallel().forEach(b -> rows.work(b * BAND, Math.min(height, (b + 1) * BAND)));
    }

    /** Of each pixel, of 255: weights of ITU-R BT.601, which are near enough for finding edges. What is left out is dark. */
    private void brightness(int from, int to) {
        int size = deep ? 2 : 1;
        for (int i = from * width; i < to * width; i++) {
            int at = i * 4 * size;
            int sum = 77 * (source[at] & 0xFF) + 150 * (source[at + size] & 0xFF) + 29 * (source[at + 2 * size] & 0xFF);
            bright[i] = (byte) (sum >> 8);
        }
    }

    private void smooth(byte[] into, int from, int to) {
        for (int y = from; y < to; y++) {
            boolean inside = y > 0 && y < height - 1;
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                if (inside && x > 0 && x < width - 1 && isEdge(i)) {
                    edge(into, i, x, y);
                } else {
                    take(into, i);
                }
            }
        }
    }

    /** A look that most pixels do not pass: those beside it are about as bright. */
    private boolean isEdge(int i) {
        int here = bright[i] & 0xFF;
        int up = bright[i - width] & 0xFF;
        int down = bright[i + width] & 0xFF;
        int left = bright[i - 1] & 0xFF;
        int right = bright[i + 1] & 0xFF;
        int most = Math.max(here, Math.max(Math.max(up, down), Math.max(left, right)));
        int contrast = most - Math.min(here, Math.min(Math.min(up, down), Math.min(left, right)));
        return contrast >= Math.max(LEAST, most >> SHIFT);
    }

    private void take(byte[] into, int pixel) {
        int size = deep ? 2 : 1;
        int from = pixel * 4 * size;
        int to = pixel * channels * size;
        for (int c = 0; c < channels * size; c++) {
            into[to + c] = source[from + c];
        }
    }

    private void edge(byte[] into, int i, int x, int y) {
        int around = 2 * (bright[i] & 0xFF);
        int upDown = (bright[i - width] & 0xFF) + (bright[i + width] & 0xFF) - around;
        int leftRight = (bright[i - 1] & 0xFF) + (bright[i + 1] & 0xFF) - around;
        // the line runs along rows where brightness changes more from row to row
        boolean rows = Math.abs(upDown) >= Math.abs(leftRight);
        int place = rows ? x : y;
        int across = rows ? width : 1;
        int along = rows ? 1 : width;
        int here = bright[i] & 0xFF;
        int ahead = bright[i + across] & 0xFF;
        int behind = bright[i - across] & 0xFF;
        int side = Math.abs(ahead - here) >= Math.abs(behind - here) ? across : -across;
        int other = bright[i + side] & 0xFF;
        // sums of both sides of the line, twice the mean
        int pair = here + other;
        int least = Math.max(1, Math.abs(other - here) / 2);
        int room = (rows ? width : height) - 1 - place;
        int after = 1;
        int afterDiffers = 0;
        for (; after <= Math.min(FARTHEST, room); after++) {
            afterDiffers = (bright[i + along * after] & 0xFF) + (bright[i + along * after + side] & 0xFF) - pair;
            if (Math.abs(afterDiffers) >= least) {
                break;
            }
        }
        int before = 1;
        int beforeDiffers = 0;
        for (; before <= Math.min(FARTHEST, place); before++) {
            beforeDiffers = (bright[i - along * before] & 0xFF) + (bright[i - along * before + side] & 0xFF) - pair;
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
        } else {
            take(into, i);
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
