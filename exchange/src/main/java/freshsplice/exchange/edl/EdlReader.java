package freshsplice.exchange.edl;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.format.CutReader;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import java.util.ArrayList;
import java.util.List;

/** Reads edit decision lists. One list is one cut; its rate is given, or guessed with a doubt that says why. */
public final class EdlReader implements CutReader {
    /** A million events with their comments. More is no list, whatever it is. */
    private static final int MAX_BYTES = 64_000_000;

    @Override
    public String format() {
        return "edl";
    }

    @Override
    public boolean recognises(InputFile file) {
        return EdlText.looksLikeText(file.bytes());
    }

    @Override
    public boolean isSurely(InputFile head) {
        return EdlText.looksLikeText(head.bytes()) && EdlText.lines(head).stream().anyMatch(EdlParser::isEvent);
    }

    @Override
    public Reading read(InputFile file, ReadOptions options) {
        List<Remark> remarks = new ArrayList<>();
        EdlList list = parse(file, options, remarks);
        FrameRate rate = options.givenRate().orElseGet(() -> guessed(list, remarks));
        if (list.title == null || list.title.isEmpty()) {
            list.title = file.stem();
            remarks.add(Remark.note("line 1", "The list has no title; the file's name stands in"));
        }
        return new Reading(format(), List.of(new EdlAssembler(list, rate, remarks).assemble()), remarks);
    }

    /**
     * The rate that the list most likely has, and why, before anybody has chosen one.
     *
     * @throws UnreadableFile if the file has no events
     */
    public EdlRate guessRate(InputFile file, ReadOptions options) {
        return EdlRate.guess(parse(file, options, new ArrayList<>()));
    }

    private static EdlList parse(InputFile file, ReadOptions options, List<Remark> remarks) {
        if (file.bytes().length > MAX_BYTES) {
            throw new UnreadableFile(file.name() + " has " + file.bytes().length / 1_000_000 + " MB; a list of events "
                    + "has at most " + MAX_BYTES / 1_000_000 + " MB");
        }
        EdlList list = new EdlParser(options.limits(), remarks).parse(EdlText.lines(file));
        if (list.statements.isEmpty()) {
            throw new UnreadableFile(remarks.stream().filter(r -> r.severity() == Remark.Severity.LOSS).findFirst()
                    .map(r -> file.name() + ", " + r.place() + ": " + r.text())
                    .orElse(file.name() + " has no event lines, so it is no EDL: each event is a number, a reel, a "
                            + "track, a transition and four timecodes"));
        }
        return list;
    }

    private static FrameRate guessed(EdlList list, List<Remark> remarks) {
        EdlRate guess = EdlRate.guess(list);
        remarks.add(Remark.guessedRate("line 1", "The list does not say its rate; read at " + guess.rate()
                + " frames/s, because " + guess.reason() + ". Give the rate to choose another"));
        return guess.rate();
    }
}
