package freshsplice.exchange.xmeml;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.exc.WstxIOException;
import com.ctc.wstx.stax.WstxInputFactory;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Walks the document once and notes its sequences and files. Entities and outside definitions are never followed. */
final class XmemlParser {
    /** Elements inside one item; no edit room nests deeper than a few dozen. */
    private static final int MAX_ELEMENT_DEPTH = 400;
    private static final Set<String> KNOWN_IN_SEQUENCE = Set.of("uuid", "updatebehavior", "labels", "format",
            "logginginfo", "in", "out", "ismasterclip", "anamorphic", "colorinfo", "metadata");

    private final InputFile file;
    private final boolean latin1;
    private final Limits limits;
    private final List<Remark> remarks;
    private final XmemlRates rates;
    private final XmemlItems items;
    private final Map<String, Integer> notCarried = new LinkedHashMap<>();
    private XMLStreamReader in;
    private int count;

    final Map<String, XmemlFile> files = new HashMap<>();
    final Map<String, XmemlSequence> sequences = new HashMap<>();
    final List<XmemlSequence> top = new ArrayList<>();
    String version = "";

    /** The bytes are not of the encoding that the file says: they may still be Latin-1. */
    static final class WrongEncoding extends RuntimeException {
        private static final long serialVersionUID = 1L;

        WrongEncoding(Exception cause) {
            super(cause);
        }
    }

    /** @param latin1 whatever the file says of its encoding */
    XmemlParser(InputFile file, boolean latin1, Limits limits, List<Remark> remarks) {
        this.file = file;
        this.latin1 = latin1;
        this.limits = limits;
        this.remarks = remarks;
        this.rates = new XmemlRates(remarks);
        this.items = new XmemlItems(rates, remarks, notCarried);
    }

    /** @throws UnreadableFile if it is no such document, is damaged, or is larger or deeper than a cut may be */
    XmemlParser parse() {
        XMLInputFactory factory = new WstxInputFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        // damage is told where it is met, as a checked exception
        factory.setProperty(WstxInputProperties.P_LAZY_PARSING, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> new ByteArrayInputStream(new byte[0]));
        try {
            in = latin1 ? factory.createXMLStreamReader(new InputStreamReader(new ByteArrayInputStream(file.bytes()),
                    StandardCharsets.ISO_8859_1))
                    : factory.createXMLStreamReader(new ByteArrayInputStream(file.bytes()));
            walk();
        } catch (WstxIOException e) {
            if (latin1) {
                throw damaged(e);
            }
            throw new WrongEncoding(e);
        } catch (XMLStreamException e) {
            throw damaged(e);
        } finally {
            closeQuietly();
        }
        notCarried.forEach((what, times) -> remarks.add(Remark.note(what, "Not carried into the cut, seen "
                + (times == 1 ? "once" : times + " times"))));
        return this;
    }

    private void closeQuietly() {
        try {
            if (in != null) {
                in.close();
            }
        } catch (XMLStreamException e) {
            // all of it has been read, or refused, already
        }
    }

    private UnreadableFile damaged(XMLStreamException e) {
        String message = String.valueOf(e.getMessage()).replaceAll("(?s)ParseError at.*?Message: ", "").strip();
        String place = e.getLocation() == null ? "" : ", line " + e.getLocation().getLineNumber();
        return new UnreadableFile(file.name() + place + ": the XML is damaged there (" + message.lines().findFirst()
                .orElse("") + "); ask for it to be written again");
    }

    private void walk() throws XMLStreamException {
        int depth = 0;
        while (in.hasNext()) {
            int event = in.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                if (depth == 0) {
                    root();
                }
                switch (in.getLocalName()) {
                    case "sequence" -> top.add(sequence(0));
                    case "clip", "file" -> node(0);
                    default -> depth++;
                }
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                depth--;
            }
        }
    }

    private void root() {
        if (!in.getLocalName().equals("xmeml")) {
            throw new UnreadableFile(file.name() + " is XML, but its root is \"" + in.getLocalName()
                    + "\" and not \"xmeml\": export the sequence as interchange XML");
        }
        version = String.valueOf(in.getAttributeValue(null, "version"));
        if (!version.matches("[345](\\.0)?")) {
            remarks.add(Remark.doubt("xmeml, line " + line(), "Version \"" + version
                    + "\" is not 4 or 5; read as they are"));
        }
    }

    private int line() {
        return in.getLocation().getLineNumber();
    }

    /** The sequence that begins here, in full or by its id. */
    private XmemlSequence sequence(int depth) throws XMLStreamException {
        if (depth > limits.maxDepth()) {
            throw new UnreadableFile(file.name() + ", line " + line() + ": sequences inside sequences, more than "
                    + limits.maxDepth() + " levels deep");
        }
        XmemlSequence sequence = new XmemlSequence();
        sequence.line = line();
        String id = in.getAttributeValue(null, "id");
        sequence.id = id == null ? "" : id;
        boolean empty = true;
        while (nextChild()) {
            empty = false;
            sequenceChild(sequence, depth);
        }
        sequence.byId = empty && !sequence.id.isEmpty();
        if (!sequence.byId && !sequence.id.isEmpty() && sequences.putIfAbsent(sequence.id, sequence) != null) {
            remarks.add(Remark.doubt(sequence.place(), "A second sequence has the same id; the id means the first"));
        }
        return sequence;
    }

    private void sequenceChild(XmemlSequence sequence, int depth) throws XMLStreamException {
        switch (in.getLocalName()) {
            case "name" -> sequence.name = node(0).text.strip();
            case "rate" -> sequence.rate = rates.of(node(0));
            case "duration" -> sequence.duration = wrapped().longOf("duration");
            case "timecode" -> {
                XmlNode timecode = node(0);
                Long frame = rates.frameOf(timecode, sequence.rate);
                sequence.start = frame == null ? 0 : frame;
                sequence.dropFrame = XmemlRates.drops(timecode);
            }
            case "marker" -> sequence.markers.add(node(0));
            case "media" -> media(sequence, depth);
            default -> {
                String name = in.getLocalName();
                node(0);
                if (!KNOWN_IN_SEQUENCE.contains(name)) {
                    notCarried.merge(name + " in sequence", 1, Integer::sum);
                }
            }
        }
    }

    private XmlNode wrapped() throws XMLStreamException {
        XmlNode holder = new XmlNode("", line());
        holder.children.add(node(0));
        return holder;
    }

    private void media(XmemlSequence sequence, int depth) throws XMLStreamException {
        while (nextChild()) {
            boolean picture = in.getLocalName().equals("video");
            if (!picture && !in.getLocalName().equals("audio")) {
                node(0);
                continue;
            }
            while (nextChild()) {
                if (in.getLocalName().equals("track")) {
                    sequence.tracks.add(track(picture, depth));
                } else {
                    node(0);
                }
            }
        }
    }

    private XmemlSequence.Track track(boolean picture, int depth) throws XMLStreamException {
        XmemlSequence.Track track = new XmemlSequence.Track(picture);
        String named = in.getAttributeValue(null, "MZ.TrackName");
        track.name = named == null ? "" : named.strip();
        while (nextChild()) {
            switch (in.getLocalName()) {
                case "clipitem", "generatoritem", "transitionitem" -> {
                    if (++count > limits.maxEvents()) {
                        throw new UnreadableFile(file.name() + ", line " + line() + ": more than "
                                + limits.maxEvents() + " events");
                    }
                    track.items.add(items.of(node(depth + 1)));
                }
                case "enabled" -> track.enabled = !node(0).text.strip().equalsIgnoreCase("FALSE");
                case "locked", "outputchannelindex" -> node(0);
                default -> {
                    notCarried.merge(in.getLocalName() + " in track", 1, Integer::sum);
                    node(0);
                }
            }
        }
        return track;
    }

    /** Goes to the next child of the element that is open; false at its end. */
    private boolean nextChild() throws XMLStreamException {
        while (in.hasNext()) {
            int event = in.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                return true;
            }
            if (event == XMLStreamConstants.END_ELEMENT) {
                return false;
            }
        }
        return false;
    }

    /**
     * The element that begins here as a tree. Files told in it are noted by their ids; a sequence in it is read as
     * one, {@code depth} levels down.
     */
    private XmlNode node(int depth) throws XMLStreamException {
        Deque<XmlNode> open = new ArrayDeque<>();
        open.push(opened());
        XmlNode root = open.peek();
        while (!open.isEmpty()) {
            switch (in.next()) {
                case XMLStreamConstants.START_ELEMENT -> {
                    if (in.getLocalName().equals("sequence")) {
                        open.peek().sequence = sequence(depth);
                        continue;
                    }
                    if (open.size() > MAX_ELEMENT_DEPTH) {
                        throw new UnreadableFile(file.name() + ", line " + line() + ": elements more than "
                                + MAX_ELEMENT_DEPTH + " levels deep");
                    }
                    XmlNode child = opened();
                    open.peek().children.add(child);
                    open.push(child);
                }
                case XMLStreamConstants.END_ELEMENT -> closed(open.pop());
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
                    if (!in.isWhiteSpace()) {
                        open.peek().text += in.getText();
                    }
                }
                default -> {
                    // comments and instructions say nothing about a cut
                }
            }
        }
        return root;
    }

    private XmlNode opened() {
        XmlNode node = new XmlNode(in.getLocalName(), line());
        for (int i = 0; i < in.getAttributeCount(); i++) {
            node.attributes.put(in.getAttributeLocalName(i), in.getAttributeValue(i));
        }
        return node;
    }

    private void closed(XmlNode node) {
        String id = node.attributes.get("id");
        if (node.name.equals("file") && id != null && !node.children.isEmpty()) {
            files.putIfAbsent(id, XmemlFile.of(node, rates));
        }
    }
}
