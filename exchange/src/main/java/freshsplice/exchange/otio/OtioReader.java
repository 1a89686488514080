package freshsplice.exchange.otio;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.format.CutReader;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.NestedSize;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Reads the open JSON interchange, also from a bundle (a zip with {@code content.otio} in it). */
public final class OtioReader implements CutReader {
    private static final int HEAD = 4096;

    @Override
    public String format() {
        return "otio";
    }

    @Override
    public boolean recognises(InputFile file) {
        if (OtioBundle.isZip(file.bytes())) {
            return OtioBundle.isBundle(file);
        }
        String head = new String(file.bytes(), 0, Math.min(HEAD, file.bytes().length), StandardCharsets.UTF_8)
                .replaceFirst("^\uFEFF", "").stripLeading();
        return head.startsWith("{") && (head.contains("OTIO_SCHEMA") || file.ending().equals("otio"));
    }

    @Override
    public Reading read(InputFile file, ReadOptions options) {
        List<Remark> remarks = new ArrayList<>();
        byte[] json = OtioBundle.isZip(file.bytes()) ? OtioBundle.content(file, options.limits()) : file.bytes();
        OtioItem root = OtioJson.read(json, file.name(), options.limits(), new OtioItems(remarks)::of);
        OtioAssembler assembler = new OtioAssembler(file.name(), options.rate(), options.limits(), remarks);
        List<Cut> cuts = timelines(root, file).stream().map(assembler::cut).toList();
        NestedSize.check(file, cuts, options.limits());
        return new Reading(format(), cuts, remarks);
    }

    private static List<OtioItem> timelines(OtioItem root, InputFile file) {
        List<OtioItem> found = new ArrayList<>();
        collect(root, found);
        if (found.isEmpty()) {
            throw new UnreadableFile(file.name() + " holds no timeline: its outermost object is \"" + root.schema
                    + "\"");
        }
        return found;
    }

    private static void collect(OtioItem item, List<OtioItem> found) {
        if (item.is("SerializableCollection")) {
            item.children.forEach(child -> collect(child, found));
        } else if (item.takesTime() && !item.is("Gap")) {
            found.add(item);
        }
    }
}
