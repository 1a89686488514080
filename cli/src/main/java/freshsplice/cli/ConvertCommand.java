package freshsplice.cli;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.delivery.RenderName;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** {@code convert IN OUT [--rate R] [--cut NAME] [--lane V1|each] [--reels short] [--to FORMAT] [--version 4]}. */
final class ConvertCommand {
    private static final String USAGE = "convert IN OUT [--rate R] [--cut NAME] [--lane V1|each] [--reels short] "
            + "[--to edl|xmeml|aaf|otio] [--version 4]";
    private static final Map<String, String> FORMAT_BY_ENDING = Map.of(
            "edl", "edl", "xml", "xmeml", "aaf", "aaf", "otio", "otio");

    private ConvertCommand() {
    }

    static void run(Arguments arguments, OutputStream out) {
        arguments.allow(Set.of("--rate", "--cut", "--lane", "--reels", "--to", "--version"));
        Path in = arguments.file(0, 2, USAGE);
        Path target = arguments.file(1, 2, USAGE);
        String reels = arguments.options().getOrDefault("--reels", "long");
        if (!Set.of("short", "long").contains(reels)) {
            throw new WrongUse("--reels is short or long, not \"" + reels + "\"");
        }
        String asked = arguments.options().get("--to");
        String format = asked == null ? byEnding(target) : asked;
        Reading reading = arguments.read(in);
        Cut cut = arguments.cut(reading);
        WriteOptions options = new WriteOptions(arguments.options().get("--lane"), reels.equals("short"),
                version(arguments.options().getOrDefault("--version", "0")));
        Map<Path, WrittenFile> written = "each".equals(options.track()) ? eachTrack(cut, format, options, target)
                : Map.of(target, Formats.writer(format).write(cut, options));
        List<Remark> remarks = new ArrayList<>(reading.remarks());
        Map<String, String> names = new LinkedHashMap<>();
        written.forEach((file, one) -> {
            save(file, one.bytes());
            remarks.addAll(one.remarks());
            names.putAll(one.reels());
        });
        try (Json json = new Json(out)) {
            json.object(() -> {
                json.text("format", format);
                json.text("file", target.toString());
                if (written.size() > 1 || !written.containsKey(target)) {
                    json.list("files", List.copyOf(written.keySet()),
                            (j, file) -> j.object(() -> j.text("file", file.toString())));
                }
                json.list("reels", List.copyOf(names.entrySet()), (j, e) -> j.object(() -> {
                    j.text("reel", e.getKey());
                    j.text("written", e.getValue());
                }));
                json.remarks(remarks);
            });
        }
    }

    /** A list for each picture track, named after the target and the track. */
    private static Map<Path, WrittenFile> eachTrack(Cut cut, String format, WriteOptions options, Path target) {
        Map<Path, WrittenFile> written = new LinkedHashMap<>();
        for (int index : cut.tracksOf(Track.Kind.PICTURE)) {
            String track = cut.tracks().get(index).name();
            String name = target.getFileName().toString();
            int dot = name.lastIndexOf('.');
            String base = dot < 0 ? name : name.substring(0, dot);
            Path file = target.resolveSibling(base + "_" + RenderName.fileSafe(track) + (dot < 0 ? "" : name.substring(dot)));
            written.put(file, Formats.writer(format).write(cut.withPicture(index),
                    new WriteOptions(track, options.shortReels(), options.version())));
        }
        return written;
    }

    private static int version(String written) {
        if (!written.matches("[0-9]")) {
            throw new WrongUse("--version is a number, such as 4 or 5 for xmeml, not \"" + written + "\"");
        }
        return Integer.parseInt(written);
    }

    private static String byEnding(Path target) {
        String name = target.toString();
        String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        String format = FORMAT_BY_ENDING.get(ending);
        if (format == null) {
            throw new WrongUse("The format is told by the ending .edl, .xml, .aaf or .otio, or by --to");
        }
        return format;
    }

    /** Writes beside the target first, so that a failure leaves what was there. */
    private static void save(Path target, byte[] bytes) {
        Path folder = target.toAbsolutePath().getParent();
        try {
            Path half = Files.createTempFile(folder, ".writing", null);
            try {
                Files.write(half, bytes);
                Files.move(half, target, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(half);
            }
        } catch (IOException e) {
            throw new UnreadableFile(target + " cannot be written: " + e.getMessage());
        }
    }
}
