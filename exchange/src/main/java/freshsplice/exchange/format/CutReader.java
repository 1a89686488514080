package freshsplice.exchange.format;

/** Reads one format. Input is hostile until read: every reader keeps to {@link Limits}. */
public interface CutReader {
    /** The format's name on the command line: edl, xmeml, aaf, otio. */
    String format();

    /** Whether the first bytes or the name say that this reader is for the file. */
    boolean recognises(InputFile file);

    /**
     * Whether the beginning of a file is surely of this format, whatever the file is called.
     *
     * @param head the file, or its first {@link Formats#HEAD} bytes
     */
    default boolean isSurely(InputFile head) {
        return recognises(head);
    }

    /**
     * Reads the whole file.
     *
     * @throws UnreadableFile where there is nothing to read a cut from, or a place contradicts itself so that no
     *                        frame after it could be trusted; the message says where and what to do
     */
    Reading read(InputFile file, ReadOptions options);
}
