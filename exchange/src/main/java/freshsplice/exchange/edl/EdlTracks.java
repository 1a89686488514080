package freshsplice.exchange.edl;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The tracks a track column names: {@code V V2 A A2 AA A3 B AA/V NONE} and their mixtures. {@code B} is picture and
 * the first sound channel, {@code AA} the first two.
 */
final class EdlTracks {
    private static final Pattern PART = Pattern.compile("AA|NONE|B|V\\d{0,2}|A\\d{0,2}");

    private static final List<String> PICTURE = List.of("V1");

    private EdlTracks() {
    }

    static boolean isTracks(String column) {
        if (column.equals("V") || column.equals("A")) {
            return true;
        }
        String rest = column.toUpperCase(Locale.ROOT).replace("/", "");
        return !rest.isEmpty() && PART.matcher(rest).replaceAll("").isEmpty();
    }

    /** Track names in the order written; empty for NONE. */
    static List<String> tracks(String column) {
        if (column.equals("V")) {
            return PICTURE;
        }
        List<String> tracks = new ArrayList<>();
        Matcher m = PART.matcher(column.toUpperCase(Locale.ROOT));
        while (m.find()) {
            switch (m.group()) {
                case "NONE" -> { }
                case "AA" -> tracks.addAll(List.of("A1", "A2"));
                case "B" -> tracks.addAll(List.of("V1", "A1"));
                case "V" -> tracks.add("V1");
                case "A" -> tracks.add("A1");
                default -> tracks.add(m.group().charAt(0) + String.valueOf(
                        Math.max(1, Integer.parseInt(m.group().substring(1)))));
            }
        }
        return tracks.stream().distinct().toList();
    }
}
