package freshsplice.exchange.edl;

import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.UnreadableFile;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** A list's bytes as lines: UTF-8 with or without a mark, UTF-16 with one, else Latin-1; CR LF, LF or CR. */
final class EdlText {
    private EdlText() {
    }

    static List<String> lines(InputFile file) {
        byte[] bytes = file.bytes();
        String text = decode(bytes);
        if (looksBinary(text)) {
            throw new UnreadableFile(file.name() + " is not text, so it is no EDL");
        }
        return text.lines().toList();
    }

    /** Whether these first bytes could begin a list: text with no zero bytes, or marked UTF-16. */
    static boolean looksLikeText(byte[] bytes) {
        if (marks(bytes, 0xFE, 0xFF) || marks(bytes, 0xFF, 0xFE)) {
            return true;
        }
        for (int i = 0; i < Math.min(bytes.length, 4096); i++) {
            if (bytes[i] == 0) {
                return false;
            }
        }
        return true;
    }

    private static String decode(byte[] bytes) {
        if (marks(bytes, 0xFE, 0xFF)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16BE);
        }
        if (marks(bytes, 0xFF, 0xFE)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16LE);
        }
        int from = bytes.length >= 3 && marks(bytes, 0xEF, 0xBB) && (bytes[2] & 0xFF) == 0xBF ? 3 : 0;
        ByteBuffer body = ByteBuffer.wrap(bytes, from, bytes.length - from);
        try {
            return strict(StandardCharsets.UTF_8, body.duplicate());
        } catch (CharacterCodingException e) {
            return StandardCharsets.ISO_8859_1.decode(body).toString();
        }
    }

    private static String strict(Charset charset, ByteBuffer bytes) throws CharacterCodingException {
        return charset.newDecoder().onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT).decode(bytes).toString();
    }

    private static boolean marks(byte[] bytes, int first, int second) {
        return bytes.length >= 2 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
    }

    private static boolean looksBinary(String text) {
        int odd = 0;
        int looked = Math.min(text.length(), 65_536);
        for (int i = 0; i < looked; i++) {
            char c = text.charAt(i);
            if (c < ' ' && c != '\t' && c != '\n' && c != '\r' && c != '\f' && c != 26) {
                odd++;
            }
        }
        return odd * 50 > looked;
    }
}
