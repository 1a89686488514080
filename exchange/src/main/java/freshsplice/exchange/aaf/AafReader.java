package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.CutReader;
import freshsplice.exchange.InputFile;
import freshsplice.exchange.Opened;
import freshsplice.exchange.ReadOptions;
import freshsplice.exchange.Reading;
import freshsplice.exchange.UnreadableFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** Reads the Advanced Authoring Format. Each top-level composition is a cut. */
public final class AafReader implements CutReader {
    private static final byte[] COMPOUND_FILE = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};

    @Override
    public String format() {
        return "aaf";
    }

    @Override
    public boolean recognises(InputFile file) {
        byte[] bytes = file.bytes();
        if (bytes.length < 512) {
            return false;
        }
        for (int i = 0; i < COMPOUND_FILE.length; i++) {
            if (bytes[i] != COMPOUND_FILE[i]) {
                return false;
            }
        }
        return true;
    }

    @Override
    public Reading read(InputFile file, ReadOptions options) {
        List<Remark> remarks = new ArrayList<>();
        List<Cut> cuts = new ArrayList<>();
        try (AafFile aaf = new AafFile(file.bytes())) {
            AafAssembler assembler = new AafAssembler(aaf, options.rate(), options.limits(), remarks);
            for (AafObject mob : assembler.topLevel()) {
                cuts.add(assembler.cut(mob));
            }
        } catch (UnreadableFile e) {
            throw e;
        } catch (AafDamage e) {
            throw new UnreadableFile(file.name() + ": " + e.getMessage() + "; ask for it to be exported again");
        } catch (IOException | RuntimeException e) {
            // the library of the container tells damage by exceptions of many kinds
            throw new UnreadableFile(file.name() + " is a damaged compound file (" + e.getMessage()
                    + "); ask for it to be exported again");
        }
        if (cuts.isEmpty()) {
            throw new UnreadableFile(file.name() + " holds no composition: export a sequence, not its media alone");
        }
        Opened.check(file, cuts, options.limits());
        return new Reading(format(), cuts, remarks);
    }
}
