package freshsplice.core.sources;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A folder that lies elsewhere now, told by one file of it: what two paths share at their end is the same, what stands
 * before that has moved.
 *
 * @param from parts of the old folder
 * @param to   parts of the new one
 */
public record FolderMove(List<String> from, List<String> to) {
    /** @param before path of a file as the cut has it; @param now where it was found, under whatever name */
    public static FolderMove of(String before, String now) {
        List<String> old = FileNames.parts(before);
        List<String> found = FileNames.parts(now);
        List<String> oldFolder = old.subList(0, Math.max(0, old.size() - 1));
        List<String> newFolder = found.subList(0, Math.max(0, found.size() - 1));
        int same = FileNames.sharedEnd(oldFolder, newFolder);
        return new FolderMove(List.copyOf(oldFolder.subList(0, oldFolder.size() - same)),
                List.copyOf(newFolder.subList(0, newFolder.size() - same)));
    }

    /** Where another file of the folder should lie, to compare with {@link #comparable}; empty for one outside it. */
    public Optional<String> moved(String path) {
        List<String> parts = FileNames.parts(path);
        boolean inside = parts.size() > from.size() && !from.isEmpty()
                && FileNames.sharedEnd(parts.subList(0, from.size()), from) == from.size();
        if (!inside) {
            return Optional.empty();
        }
        List<String> there = new ArrayList<>(to);
        there.addAll(parts.subList(from.size(), parts.size()));
        return Optional.of(String.join("/", there).toLowerCase(Locale.ROOT));
    }

    /** A path in the form in which paths are compared: plain slashes, no scheme, case left aside. */
    public static String comparable(String path) {
        return String.join("/", FileNames.parts(path)).toLowerCase(Locale.ROOT);
    }
}
