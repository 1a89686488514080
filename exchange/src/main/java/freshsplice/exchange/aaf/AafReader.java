package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.compound.CompoundDamage;
import freshsplice.exchange.compound.CompoundFile;
import freshsplice.exchange.format.CutReader;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.NestedSize;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import java.util.ArrayList;
import java.util.List;

/** Reads the Advanced Authoring Format. Each top-level composition is a cut. */
public final class AafReader implements CutReader {
    @Override
    public String format() {
        return "aaf";
    }

    @Override
    public boolean recognises(InputFile file) {
        return CompoundFile.isCompound(file.bytes());
    }

    @Override
    public Reading read(InputFile file, ReadOptions options) {
        List<Remark> remarks = new ArrayList<>();
        List<Cut> cuts = new ArrayList<>();
        try {
            AafAssembler assembler = new AafAssembler(new AafFile(file.bytes()), options.rate(), options.limits(), remarks);
            assembler.topLevel().forEach(mob -> cuts.add(assembler.cut(mob)));
            if (cuts.isEmpty()) {
                assembler.file.mobs(AafClass.MASTER_MOB).forEach(mob -> cuts.add(assembler.mediaAlone(mob)));
                cuts.removeIf(c -> c.record().isEmpty());
            }
        } catch (AafDamage | CompoundDamage e) {
            throw new UnreadableFile(file.name() + ": " + e.getMessage() + "; ask for it to be exported again");
        }
        if (cuts.isEmpty()) {
            throw new UnreadableFile(file.name() + " holds neither a composition nor media: export a sequence");
        }
        NestedSize.check(file, cuts, options.limits());
        return new Reading(format(), cuts, remarks);
    }
}
