package freshsplice.core.sources;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.stream.Stream;

/**
 * What a clip shows or sounds, and which part of it.
 *
 * @param source what the cut tells of it
 * @param from   first source position used, inclusive; null where that is not known
 * @param to     end of what is used, exclusive; null where that is not known
 * @param rate   what positions are counted at; null where that is not known
 */
public record SourceNeed(Source source, Rational from, Rational to, FrameRate rate) {
    /** @param cutRate rate of the cut, for a source that does not tell its own */
    public static SourceNeed of(Event event, FrameRate cutRate) {
        Rational a = event.from();
        Rational b = event.to();
        boolean backwards = a.compareTo(b) > 0;
        FrameRate own = event.source().rate();
        return new SourceNeed(event.source(), backwards ? b : a, backwards ? a : b, own == null ? cutRate : own);
    }

    public static SourceNeed of(Source source) {
        return new SourceNeed(source, null, null, source.rate());
    }

    /** The names by which its file may be found, the likeliest first. */
    public Stream<String> names() {
        return Stream.of(source.file(), source.name()).filter(n -> n != null && !n.isBlank());
    }

    /** Whether the reel is a real one: AX and BL say that there is none (SMPTE ST 258). */
    public boolean hasReel() {
        String reel = source.reel();
        return reel != null && !reel.isBlank() && !reel.equalsIgnoreCase("AX") && !reel.equalsIgnoreCase("BL");
    }
}
