package freshsplice.cli;

import freshsplice.core.cut.Cut;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A command with its files and options.
 *
 * @param command what to do
 * @param files   file names in the order given
 * @param options option to value; flags have an empty value
 */
record Arguments(String command, List<String> files, Map<String, String> options) {
    private static final Set<String> FLAGS = Set.of("--keep-fragments");
    private static final Set<String> WITH_VALUE = Set.of("--rate", "--cut", "--lane", "--reels", "--to", "--handles");

    static Arguments parse(List<String> args) {
        if (args.isEmpty()) {
            throw new WrongUse("Say what to do: read, changes, convert or conform");
        }
        List<String> files = new ArrayList<>();
        Map<String, String> options = new HashMap<>();
        for (int i = 1; i < args.size(); i++) {
            String arg = args.get(i);
            if (FLAGS.contains(arg)) {
                options.put(arg, "");
            } else if (WITH_VALUE.contains(arg)) {
                if (i + 1 == args.size()) {
                    throw new WrongUse(arg + " wants a value after it");
                }
                options.put(arg, args.get(++i));
            } else if (arg.startsWith("--")) {
                throw new WrongUse("There is no option " + arg);
            } else {
                files.add(arg);
            }
        }
        return new Arguments(args.get(0), files, options);
    }

    /** The file at an index; there must be exactly {@code count}. */
    Path file(int index, int count, String usage) {
        if (files.size() != count) {
            throw new WrongUse("Use: " + usage);
        }
        try {
            return Path.of(files.get(index));
        } catch (InvalidPathException e) {
            throw new UnreadableFile("\"" + files.get(index) + "\" is no file name");
        }
    }

    void allow(Set<String> known) {
        options.keySet().stream().filter(o -> !known.contains(o)).findFirst().ifPresent(o -> {
            throw new WrongUse(command + " has no option " + o);
        });
    }

    Reading read(Path file) {
        ReadOptions options = new ReadOptions(rate(), Limits.DEFAULT);
        return Formats.read(InputFile.of(file, Limits.DEFAULT), options);
    }

    /** The cut asked for by name, or the first. */
    Cut cut(Reading reading) {
        String name = options.get("--cut");
        if (name == null) {
            return reading.cuts().get(0);
        }
        return reading.cuts().stream().filter(c -> c.name().equals(name)).findFirst()
                .orElseThrow(() -> new UnreadableFile("The file has no cut \"" + name + "\": it has "
                        + reading.cuts().stream().map(Cut::name).collect(Collectors.joining(", "))));
    }

    int number(String option, int otherwise) {
        String text = options.get(option);
        if (text == null) {
            return otherwise;
        }
        if (!text.matches("\\d{1,5}")) {
            throw new WrongUse(option + " wants a whole number of frames, not \"" + text + "\"");
        }
        return Integer.parseInt(text);
    }

    private FrameRate rate() {
        String text = options.get("--rate");
        try {
            return text == null ? null : FrameRate.parse(text);
        } catch (IllegalArgumentException | ArithmeticException e) {
            throw new WrongUse("--rate wants a rate such as 24, 25 or 24000/1001, not \"" + text + "\"");
        }
    }
}
