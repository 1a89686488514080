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
    private final byte[] source;
    private final byte[] bright;

    SmoothEdges(Pixels like) {
        width = like.width();
        height = like.height();
        channels = like.alpha() ? 4 : 3;
        deep = like.deep();
        source = new byte[like.bytes().length];
        bright = new byte[width * height];
    }

    /** @param pixels of the size and kind that this was made for */
    void smooth(Pixels pixels) {
        byte[] into = pixels.bytes();
        System.arraycopy(into, 0, source, 0, source.length);
        bands(this::brightness);
        bands((from, to) -> smooth(into, from, to));
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
            int at = i * channels * size;
            int sum = 77 * (source[at] & 0xFF) + 150 * (source[at + size] & 0xFF) + 29 * (source[at + 2 * size] & 0xFF);
            bright[i] = (byte) (sum >> 8);
        }
    }

    private void smooth(byte[] into, int from, int to) {
        for (int y = Math.max(1, from); y < Math.min(height - 1, to); y++) {
            for (int x = 1; x < width - 1; x++) {
                int i = y * width + x;
                int here = bright[i] & 0xFF;
                int up = bright[i - width] & 0xFF;
                int down = bright[i + width] & 0xFF;
                int left = bright[i - 1] & 0xFF;
                int right = bright[i + 1] & 0xFF;
                int most = Math.max(here, Math.max(Math.max(up, down), Math.max(left, right)));
                int contrast = most - Math.min(here, Math.min(Math.min(up, down), Math.min(left, right)));
                if (contrast >= Math.max(LEAST, most >> SHIFT)) {
                    boolean rows = Math.abs(up + down - 2 * here) >= Math.abs(left + right - 2 * here);
                    edge(into, i, rows ? x : y, rows);
                }
            }
        }
    }

    /** @param place of the pixel along the line; @param rows whether the line runs along rows */
    private void edge(byte[] into, int i, int place, boolean rows) {
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
        }
    }

    private void mix(byte[] into, int pixel, int other, double share) {
        int part = (int) Math.round(share * 256);
        for (int c = 0; c < channels; c++) {
            if (deep) {
                int at = (pixel * channels + c) * 2;
                int own = value((pixel * channels + c) * 2);
                int mixed = own + (value((other * channels + c) * 2) - own) * part / 256;
                into[at] = (byte) (mixed >> 8);
                into[at + 1] = (byte) mixed;
            } else {
                int own = source[pixel * channels + c] & 0xFF;
                into[pixel * channels + c] = (byte) (own + ((source[other * channels + c] & 0xFF) - own) * part / 256);
            }
        }
    }

    private int value(int at) {
        return (source[at] & 0xFF) << 8 | source[at + 1] & 0xFF;
    }
}
