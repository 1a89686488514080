package freshsplice.exchange.xmeml;

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

/** Reads the interchange XML. Each sequence that stands for itself is a cut. */
public final class XmemlReader implements CutReader {
    private static final int HEAD = 4096;

    @Override
    public String format() {
        return "xmeml";
    }

    /** XML by its first bytes, in any encoding; what its root is, the reading says. */
    @Override
    public boolean recognises(InputFile file) {
        String head = new String(file.bytes(), 0, Math.min(HEAD, file.bytes().length), StandardCharsets.ISO_8859_1)
                .replace("\0", "");
        String text = head.replaceFirst("^(\u00ef\u00bb\u00bf|\u00fe\u00ff|\u00ff\u00fe)", "").stripLeading();
        return text.startsWith("<?xml") || text.startsWith("<!DOCTYPE xmeml") || text.startsWith("<xmeml");
    }

    @Override
    public Reading read(InputFile file, ReadOptions options) {
        List<Remark> remarks = new ArrayList<>();
        XmemlParser document = parsed(file, options, remarks);
        XmemlAssembler assembler = new XmemlAssembler(document, options.rate(), remarks);
        List<Cut> cuts = document.top.stream().filter(s -> !s.byId).map(assembler::cut).toList();
        if (cuts.isEmpty()) {
            throw new UnreadableFile(file.name() + " holds no sequence: export one sequence, not the media alone");
        }
        NestedSize.check(file, cuts, options.limits());
        return new Reading(format(), cuts, remarks);
    }

    private static XmemlParser parsed(InputFile file, ReadOptions options, List<Remark> remarks) {
        try {
            return new XmemlParser(file, false, options.limits(), remarks).parse();
        } catch (XmemlParser.WrongEncoding e) {
            remarks.clear();
            remarks.add(Remark.doubt("encoding", "Its letters are not in the encoding that it says; read as Latin-1, so "
                    + "accents in names may be wrong"));
            return new XmemlParser(file, true, options.limits(), remarks).parse();
        }
    }
}
