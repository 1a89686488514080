package freshsplice.exchange;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Damages good files: their bytes, their structure, their numbers. The same seed damages the same way. */
public final class Mangler {
    private static final Pattern NUMBER = Pattern.compile("-?\\d+(\\.\\d+)?");
    private static final List<String> NUMBERS = List.of("0", "-1", "1", "2147483647", "-2147483648",
            "9223372036854775807", "-9223372036854775808", "99999999999999999999999", "1e308", "1e-308", "NaN", "", "0.1",
            "00", "1000000");
    private static final int[] WORDS = {0, 1, -1, -2, -3, -4, 2, 7, 64, 0x7FFFFFFF, 0x10000, 0xFFFF};

    private final Random random;

    public Mangler(long seed) {
        this.random = new Random(seed);
    }

    /** A damaged copy; between one and six damages. */
    public byte[] mangle(byte[] good, boolean text) {
        byte[] bytes = good;
        int times = 1 + random.nextInt(6);
        for (int i = 0; i < times && bytes.length > 8; i++) {
            bytes = text && random.nextInt(3) > 0 ? mangledText(bytes) : mangledBytes(bytes);
        }
        return bytes;
    }

    private byte[] mangledBytes(byte[] bytes) {
        int at = random.nextInt(bytes.length);
        int length = Math.min(bytes.length - at, 1 + random.nextInt(64));
        return switch (random.nextInt(6)) {
            case 0 -> Arrays.copyOf(bytes, at);
            case 1 -> joined(Arrays.copyOf(bytes, at), Arrays.copyOfRange(bytes, at + length, bytes.length));
            case 2 -> joined(Arrays.copyOf(bytes, at + length), Arrays.copyOfRange(bytes, at, bytes.length));
            case 3 -> {
                byte[] word = bytes.clone();
                int place = Math.max(0, (at & ~3) - 4);
                ByteBuffer.wrap(word).order(ByteOrder.LITTLE_ENDIAN).putInt(place, WORDS[random.nextInt(WORDS.length)]);
                yield word;
            }
            case 4 -> {
                byte[] noise = bytes.clone();
                for (int i = 0; i < length; i++) {
                    noise[at + i] = (byte) random.nextInt(256);
                }
                yield noise;
            }
            default -> {
                byte[] flipped = bytes.clone();
                flipped[at] ^= (byte) (1 << random.nextInt(8));
                yield flipped;
            }
        };
    }

    private static byte[] joined(byte[] a, byte[] b) {
        byte[] all = Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, all, a.length, b.length);
        return all;
    }

    private byte[] mangledText(byte[] bytes) {
        String text = new String(bytes, StandardCharsets.UTF_8);
        String mangled = switch (random.nextInt(4)) {
            case 0, 1 -> otherNumber(text);
            case 2 -> otherLines(text);
            default -> otherWords(text);
        };
        return mangled.getBytes(StandardCharsets.UTF_8);
    }

    private String otherNumber(String text) {
        Matcher numbers = NUMBER.matcher(text);
        int from = random.nextInt(text.length());
        if (!numbers.find(from)) {
            return text;
        }
        return text.substring(0, numbers.start()) + NUMBERS.get(random.nextInt(NUMBERS.size()))
                + text.substring(numbers.end());
    }

    private String otherLines(String text) {
        List<String> lines = new ArrayList<>(Arrays.asList(text.split("(?<=[\\n>}])")));
        int at = random.nextInt(lines.size());
        int other = random.nextInt(lines.size());
        switch (random.nextInt(3)) {
            case 0 -> lines.remove(at);
            case 1 -> lines.add(other, lines.get(at));
            default -> lines.set(other, lines.set(at, lines.get(other)));
        }
        return String.join("", lines);
    }

    private String otherWords(String text) {
        int at = random.nextInt(text.length());
        int length = Math.min(text.length() - at, 1 + random.nextInt(40));
        String clip = text.substring(at, at + length);
        return text.substring(0, at) + clip.repeat(random.nextInt(4)) + text.substring(at + length);
    }
}
