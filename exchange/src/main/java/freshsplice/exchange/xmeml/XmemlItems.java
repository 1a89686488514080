package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Remark;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Takes what a cut needs out of an item's element, and keeps the rest as it is. */
final class XmemlItems {
    private static final Set<String> READ = Set.of("name", "enabled", "rate", "duration", "start", "end", "in", "out",
            "file", "marker", "effect", "alignment", "stillframe", "comments", "masterclipid", "alphatype",
            "pixelaspectratio", "anamorphic", "fielddominance", "subclipinfo", "ismasterclip", "sequence");
    private static final List<String> COMMENTS = List.of("mastercomment1", "mastercomment2", "mastercomment3",
            "mastercomment4", "clipcommenta", "clipcommentb");

    private final XmemlRates rates;
    private final List<Remark> remarks;
    private final Map<String, Integer> notCarried;
    private final Map<String, XmemlItem> told = new HashMap<>();

    XmemlItems(XmemlRates rates, List<Remark> remarks, Map<String, Integer> notCarried) {
        this.rates = rates;
        this.remarks = remarks;
        this.notCarried = notCarried;
    }

    /** The item; one told by its id alone is the item that was told in full under it before. */
    XmemlItem of(XmlNode node) {
        String id = node.attributes.getOrDefault("id", "");
        if (node.children.isEmpty() && told.containsKey(id)) {
            return told.get(id);
        }
        XmemlItem item = read(node, id);
        if (!id.isEmpty()) {
            told.putIfAbsent(id, item);
        }
        return item;
    }

    private XmemlItem read(XmlNode node, String id) {
        XmlNode file = node.child("file");
        String fileId = file == null ? null : file.attributes.get("id");
        XmemlFile here = file != null && fileId == null ? XmemlFile.of(file, rates) : null;
        XmlNode remap = null;
        StringBuilder kept = new StringBuilder();
        if (node.name.equals("generatoritem") && node.child("effect") != null) {
            // what it draws stands here alone: it goes back as it came
            node.child("effect").write(kept);
        }
        for (XmlNode child : node.children) {
            if (child.name.equals("filter") && isTimeRemap(child)) {
                remap = child.flag(true, "enabled") ? child.child("effect") : remap;
            } else if (!READ.contains(child.name)) {
                keep(node, child, kept);
            }
        }
        List<String> comments = new ArrayList<>();
        COMMENTS.forEach(c -> {
            String text = node.textOf("comments", c);
            if (!text.isEmpty()) {
                comments.add(text);
            }
        });
        return new XmemlItem(node.line, node.name, id, node.textOf("name"), node.flag(true, "enabled"), rates.of(node.child("rate")), node.longOf("start"), node.longOf("end"),
                node.longOf("in"), node.longOf("out"), fileId, here, node.sequence, effectName(node),
                node.textOf("effect", "effectcategory"), node.textOf("alignment"), remap,
                node.flag(false, "stillframe"), node.all("marker"), comments,
                kept.isEmpty() ? null : kept.toString(), sourceTrack(node), words(node));
    }

    private static int sourceTrack(XmlNode node) {
        String index = node.textOf("sourcetrack", "trackindex");
        boolean sound = node.textOf("sourcetrack", "mediatype").equalsIgnoreCase("audio");
        return sound && index.matches("[1-9]\\d{0,2}") ? Integer.parseInt(index) : 0;
    }

    /** The text of a generator that writes one: its parameter {@code str} (common practice). */
    private static String words(XmlNode item) {
        XmlNode effect = item.child("effect");
        return effect == null ? null : effect.all("parameter").stream().filter(p -> p.textOf("parameterid").equalsIgnoreCase("str"))
                .map(p -> p.textOf("value")).filter(text -> !text.isBlank()).findFirst().orElse(null);
    }

    private static String effectName(XmlNode item) {
        String name = item.textOf("effect", "name");
        return name.isEmpty() ? item.textOf("effect", "effectid") : name;
    }

    private static boolean isTimeRemap(XmlNode filter) {
        return filter.textOf("effect", "effectid").equalsIgnoreCase("timeremap");
    }

    /** Filters change what is seen or heard; the rest only says more. All of it can be written back. */
    private void keep(XmlNode item, XmlNode child, StringBuilder kept) {
        child.write(kept);
        if (child.name.equals("filter")) {
            String effect = child.textOf("effect", "name");
            boolean picture = !child.textOf("effect", "mediatype").equalsIgnoreCase("audio");
            String place = item.name + " " + item.textOf("name") + ", line " + child.line;
            if (picture && child.flag(true, "enabled")) {
                remarks.add(Remark.loss(place, "The filter \"" + effect + "\" is kept, and not seen in the picture"));
            } else {
                remarks.add(Remark.note(place, "The filter \"" + effect + "\" is kept, and not heard"));
            }
        } else {
            notCarried.merge(child.name + " in " + item.name, 1, Integer::sum);
        }
    }
}
