package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.sound.HandedSound;
import freshsplice.core.sound.SoundClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Sound that is handed back: with file, reel, place in the file and fades in every format, and never two over each other. */
class HandedSoundTest {
    private static final FrameRate RATE = FrameRate.FPS_24;
    private static final Source BELL = new Source("bell", "SND12", "/snd/bell.wav", RATE, 86_400L, 2400L);
    private static final Source SURF = Source.named("surf.wav", null, null);

    private static SoundClip clip(long in, long out, long seconds, long fadeIn, long fadeOut) {
        return new SoundClip(FrameRange.of(in, out), Rational.of(seconds), fadeIn, fadeOut);
    }

    private static HandedSound.Laid laid(String track, Source source, SoundClip clip, double level) {
        return new HandedSound.Laid(track, source, clip, level, 0);
    }

    private static HandedSound.Tracks of(Map<String, HandedSound.Heard> heard, HandedSound.Laid... laid) {
        return HandedSound.of(List.of(laid), RATE, heard, frame -> Timecode.of(frame, RATE, false).label());
    }

    private static Cut through(String format, List<Track> sound) {
        FrameRange record = FrameRange.of(86_400, 86_700);
        Source board = new Source("board", "LOW1", "/cut/board.mov", RATE, 0L, 900L);
        Track picture = new Track(Track.Kind.PICTURE, "V1", true, List.of(Event.clip(null, "board", record, board,
                TimeMap.constant(record, Rational.ZERO, Rational.ONE))), List.of());
        List<Track> tracks = new java.util.ArrayList<>(List.of(picture));
        tracks.addAll(sound);
        byte[] bytes = Formats.writer(format).write(new Cut("back", RATE, false, record, tracks, List.of()), WriteOptions.DEFAULT).bytes();
        return Formats.read(new InputFile("back." + format, bytes), ReadOptions.at(RATE)).cuts().get(0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void fileReelPlaceAndFades(String format) {
        HandedSound.Tracks handed = of(Map.of(), laid("A1", BELL, clip(86_410, 86_500, 5, 12, 0), 0),
                laid("A1", SURF, clip(86_501, 86_560, 2, 6, 10), 0));
        assertThat(handed.remarks()).isEmpty();
        Cut read = through(format, handed.tracks());
        Track track = read.tracks().get(read.tracksOf(Track.Kind.SOUND).get(0));
        assertThat(track.events()).extracting(Event::record).containsExactly(FrameRange.of(86_410, 86_500), FrameRange.of(86_501, 86_560));
        Event bell = track.events().get(0);
        assertThat(bell.source().file()).isEqualTo("/snd/bell.wav");
        assertThat(bell.source().reel()).isEqualTo("SND12");
        assertThat(bell.from()).isEqualTo(Rational.of(86_400 + 120));
        assertThat(track.events().get(1).name()).isEqualToIgnoringCase("surf.wav");
        assertThat(track.events().get(1).from()).isEqualTo(Rational.of(48));
        assertThat(track.transitions()).extracting(Transition::record).containsExactly(FrameRange.of(86_410, 86_422),
                FrameRange.of(86_501, 86_507), FrameRange.of(86_550, 86_560));
        assertThat(SoundClip.of(track, bell, Rational.of(5))).isEqualTo(clip(86_410, 86_500, 5, 12, 0));
        assertThat(SoundClip.of(track, track.events().get(1), Rational.of(2))).isEqualTo(clip(86_501, 86_560, 2, 6, 10));
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void oneThatFadesIntoTheNext(String format) {
        HandedSound.Tracks handed = of(Map.of(), laid("A1", BELL, clip(86_410, 86_500, 5, 0, 20), 0),
                laid("A1", SURF, clip(86_480, 86_560, 2, 20, 0), 0));
        assertThat(handed.remarks()).isEmpty();
        Track track = through(format, handed.tracks()).tracks().get(1);
        assertThat(track.events()).extracting(Event::record).containsExactly(FrameRange.of(86_410, 86_500), FrameRange.of(86_480, 86_560));
        assertThat(track.transitions()).extracting(Transition::record).containsExactly(FrameRange.of(86_480, 86_500));
        assertThat(SoundClip.of(track, track.events().get(0), Rational.of(5)).fadeOut()).isEqualTo(20);
    }

    @ParameterizedTest
    @ValueSource(strings = {"edl", "xmeml", "aaf", "otio"})
    void noneLiesOverItsNeighbour(String format) {
        HandedSound.Tracks handed = of(Map.of("A2", new HandedSound.Heard(false, 0)), laid("A1", BELL, clip(86_410, 86_500, 5, 0, 0), 0),
                laid("A1", SURF, clip(86_490, 86_560, 2, 0, 0), 0), laid("A2", BELL, clip(86_600, 86_610, 0, 0, 0), 0));
        assertThat(handed.remarks()).extracting(Remark::text).containsExactly(
                "It lies over its neighbour on A1, which a list cannot tell: it stands on A3");
        assertThat(handed.remarks()).extracting(Remark::place).containsExactly("surf.wav on A1 at 01:00:03:18");
        Cut read = through(format, handed.tracks());
        List<Track> heard = read.tracksOf(Track.Kind.SOUND).stream().map(read.tracks()::get).filter(Track::enabled)
                .filter(l -> l.events().stream().anyMatch(Event::enabled)).toList();
        assertThat(heard).hasSize(2).allSatisfy(l -> assertThat(l.events()).hasSize(1));
    }

    @Test
    void aFadeAtASeamIsSaid() {
        HandedSound.Tracks handed = of(Map.of(), laid("A1", BELL, clip(86_410, 86_500, 5, 0, 4), 0), laid("A1", SURF, clip(86_500, 86_560, 2, 6, 0), 0));
        assertThat(handed.tracks().get(0).transitions()).isEmpty();
        assertThat(handed.remarks()).extracting(Remark::text).containsExactly("Its fade of 4 frames where another clip meets it is not in the list",
                "Its fade of 6 frames where another clip meets it is not in the list");
    }

    @Test
    void aLevelIsSaid() {
        HandedSound.Tracks handed = of(Map.of("A1", new HandedSound.Heard(true, -3)), laid("A1", BELL, clip(86_410, 86_500, 5, 0, 0), -3),
                laid("A2", SURF, clip(86_410, 86_500, 5, 0, 0), 0));
        assertThat(handed.tracks().get(0).events().get(0).comments()).containsExactly("LEVEL -6.0 DB");
        assertThat(handed.tracks().get(1).events().get(0).comments()).isEmpty();
        assertThat(handed.remarks()).extracting(Remark::text)
                .containsExactly("A list has no place for a level: it stands there as a comment, LEVEL -6.0 DB");
    }
}
