package freshsplice.exchange.hashlist;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * What a list of checksums says of files. Elements as in ASC MHL v2.0 ({@code hash/path[@size]}, {@code xxh64},
 * {@code md5}, {@code sha1}) and MHL v1.1 ({@code hash/file}, {@code size}, {@code xxhash64be}), element names from
 * memory of the two published schemas. Other digests are passed over.
 */
public final class HashList {
    /**
     * One file.
     *
     * @param path   as the list writes it
     * @param bytes  its size
     * @param method md5, sha1 or xxh64
     * @param digest in lower-case hexadecimal digits
     */
    public record Entry(String path, long bytes, String method, String digest) {
    }

    private static final Map<String, String> METHODS = Map.of("md5", "md5", "sha1", "sha1", "xxh64", "xxh64",
            "xxhash64be", "xxh64");

    private HashList() {
    }

    /** @throws UnreadableFile if it is no list of checksums */
    public static List<Entry> read(InputFile file, Limits limits) {
        WstxInputFactory factory = new WstxInputFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, limits.maxDepth());
        factory.setProperty(WstxInputProperties.P_MAX_TEXT_LENGTH, 1_000_000);
        List<Entry> entries = new ArrayList<>();
        try {
            XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(file.bytes()));
            boolean named = false;
            while (in.hasNext()) {
                if (in.next() != XMLStreamConstants.START_ELEMENT) {
                    continue;
                }
                named |= in.getLocalName().equals("hashlist");
                if (in.getLocalName().equals("hash") && named) {
                    hash(in).ifPresent(entries::add);
                }
                if (entries.size() > limits.maxEvents()) {
                    throw new UnreadableFile(file.name() + " lists over " + limits.maxEvents() + " files");
                }
            }
            if (!named) {
                throw new UnreadableFile(file.name() + " is no list of checksums: it has no element hashlist");
            }
        } catch (XMLStreamException e) {
            throw new UnreadableFile(file.name() + " is damaged at line " + (e.getLocation() == null ? "?"
                    : e.getLocation().getLineNumber()) + ": give it again");
        }
        return entries;
    }

    private static java.util.Optional<Entry> hash(XMLStreamReader in) throws XMLStreamException {
        Map<String, String> found = new HashMap<>();
        int depth = 1;
        String at = "";
        while (in.hasNext() && depth > 0) {
            int event = in.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                depth++;
                at = in.getLocalName().toLowerCase(Locale.ROOT);
                String size = in.getAttributeValue(null, "size");
                if (size != null) {
                    found.put("size", size);
                }
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                depth--;
            } else if (event == XMLStreamConstants.CHARACTERS && !in.isWhiteSpace()) {
                found.putIfAbsent(at, in.getText().strip());
            }
        }
        String path = found.getOrDefault("path", found.get("file"));
        String size = found.getOrDefault("size", "");
        for (Map.Entry<String, String> method : METHODS.entrySet()) {
            String digest = found.getOrDefault(method.getKey(), "").toLowerCase(Locale.ROOT);
            if (path != null && size.matches("\\d{1,18}") && digest.matches("[0-9a-f]{16,40}")) {
                return java.util.Optional.of(new Entry(path, Long.parseLong(size), method.getValue(), digest));
            }
        }
        return java.util.Optional.empty();
    }
}
