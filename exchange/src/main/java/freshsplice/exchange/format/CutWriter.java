package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;

/** Writes one format. What the format cannot carry is named in a remark. */
public interface CutWriter {
    String format();

    WrittenFile write(Cut cut, WriteOptions options);
}
