package freshsplice.core.render;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * How renders are made: a set of settings that has a name in its project.
 *
 * @param look      how frames are drawn
 * @param burnIn    what is written into them
 * @param text      words of one's own for it
 * @param rate      of the movie, as {@link FrameRate#parse} reads it; null for the project's
 * @param sound     whether movies have sound
 * @param unstaged  what stands in a whole master for a shot that nobody staged
 * @param outputs   the files; none twice
 * @param movieName pattern of movies' names
 * @param runName   pattern of the names of numbered pictures
 */
public record Recipe(FrameLook look, List<BurnIn> burnIn, String text, String rate, boolean sound, Unstaged unstaged,
                     List<Output> outputs, String movieName, String runName) {
    public static final String USUAL_MOVIE = "{shot}_{version}";
    public static final String USUAL_RUN = "{shot}_{version}.{frame}";
    private static final int MOST_TEXT = 80;

    /** What stands in a whole master for a shot that nobody staged. */
    public enum Unstaged { CAMERA, BOARD, SLATE, BLACK }

    /** @throws Refusal naming what cannot be, and what to do */
    public Recipe {
        burnIn = List.copyOf(burnIn);
        outputs = List.copyOf(outputs);
        text = text == null ? "" : text.strip();
        if (text.length() > MOST_TEXT) {
            throw new Refusal("Words in the picture are at most " + MOST_TEXT + " letters long, not " + text.length());
        }
        if (rate != null) {
            FrameRate.parse(rate);
        }
        NamePattern.movie(movieName);
        NamePattern.run(runName);
        outputs.stream().filter(Output::on).forEach(o -> o.kind().check(look.width(), look.height()));
        checkNames(outputs);
    }

    /** Files of one ending would have one name. */
    private static void checkNames(List<Output> outputs) {
        Map<OutputKind, Output> once = new EnumMap<>(OutputKind.class);
        Map<String, OutputKind> endings = new java.util.HashMap<>();
        for (Output output : outputs) {
            if (once.put(output.kind(), output) != null) {
                throw new Refusal(output.kind().word() + " stands twice among the files");
            }
            OutputKind other = output.on() ? endings.put(output.kind().ending(), output.kind()) : null;
            if (other != null) {
                throw new Refusal(other.word() + " and " + output.kind().word() + " would have the same names, ending in ."
                        + output.kind().ending() + ": switch one off, and write it later from the kept frames");
            }
        }
    }

    /** Those that are written. */
    public List<Output> written() {
        return outputs.stream().filter(Output::on).toList();
    }

    /** Bits of each colour that frames are drawn with: the most that any file wants. */
    public int bits() {
        return written().stream().mapToInt(o -> o.kind().bits()).max().orElse(8);
    }

    /** Whether any file leaves the sky out. */
    public boolean alpha() {
        return written().stream().anyMatch(Output::alpha);
    }

    /** The movie's rate. @param project the project's */
    public FrameRate rate(FrameRate project) {
        return rate == null ? project : FrameRate.parse(rate);
    }

    /** The same, drawn otherwise. */
    public Recipe with(FrameLook other) {
        return new Recipe(other, burnIn, text, rate, sound, unstaged, outputs, movieName, runName);
    }

    /** The same with other files. */
    public Recipe with(List<Output> other) {
        return new Recipe(look, burnIn, text, rate, sound, unstaged, other, movieName, runName);
    }

    /** The same for single pictures: with its pictures alone, or as PNG where it has none. */
    public Recipe forStills() {
        boolean any = written().stream().anyMatch(o -> !o.kind().isMovie());
        List<Output> pictures = new ArrayList<>();
        for (Output output : outputs) {
            pictures.add(output.kind().isMovie() ? output.switchedOff() : !any && output.kind() == OutputKind.PNG8 ? Output.of(OutputKind.PNG8) : output);
        }
        if (!any && outputs.stream().noneMatch(o -> o.kind() == OutputKind.PNG8)) {
            pictures.add(Output.of(OutputKind.PNG8));
        }
        return with(pictures);
    }

    /** The same without sound. */
    public Recipe silent() {
        return new Recipe(look, burnIn, text, rate, false, unstaged, outputs, movieName, runName);
    }

    /** Recipes that a project begins with, by name; the first is the one that is used while none is chosen. */
    public static Map<String, Recipe> usual(PictureSize size) {
        FrameLook quick = new FrameLook(size.width(), size.height(), 100, FrameLook.Edges.QUICK, 0, 8, false, 0);
        FrameLook fine = new FrameLook(size.width(), size.height(), 150, FrameLook.Edges.QUICK, 0, 8, true, 0);
        List<BurnIn> named = List.of(new BurnIn(BurnIn.Field.NAME, BurnIn.Corner.BOTTOM_LEFT), new BurnIn(BurnIn.Field.FRAME,
                BurnIn.Corner.BOTTOM_RIGHT), new BurnIn(BurnIn.Field.TIMECODE, BurnIn.Corner.BOTTOM_RIGHT));
        Map<String, Recipe> recipes = new java.util.LinkedHashMap<>();
        recipes.put("Review", of(quick, named, OutputKind.H264));
        recipes.put("Edit room", of(fine, List.of(), OutputKind.PRORES));
        recipes.put("Stills", of(fine, List.of(), OutputKind.PNG8));
        return recipes;
    }

    /** One that writes one kind of file, with all others at hand. */
    public static Recipe of(FrameLook look, List<BurnIn> burnIn, OutputKind written) {
        List<Output> outputs = new ArrayList<>();
        for (OutputKind kind : OutputKind.values()) {
            outputs.add(kind == written ? Output.of(kind) : Output.of(kind).switchedOff());
        }
        return new Recipe(look, burnIn, "", null, true, Unstaged.BOARD, outputs, USUAL_MOVIE, USUAL_RUN);
    }
}
