package freshsplice.server.renders;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.sound.HeardSound;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.render.MovieSound;
import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.SoundTrackRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.LaidSound;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The sound that a render has: what lies under the frames that it shows. */
@Component
class RenderSound {
    private final Store store;
    private final LaidSound laid;
    private final MediaStore media;

    RenderSound(Store store, LaidSound laid, MediaStore media) {
        this.store = store;
        this.laid = laid;
        this.media = media;
    }

    /** The sound of a master, read once for many renders. */
    final class Under {
        private final Master master;
        private final FrameRate rate;
        private final List<SoundRow> rows;
        private final Map<String, SoundTrackRow> tracks;
        private final Map<Long, Clip> clips = new HashMap<>();

        private Under(Master master, FrameRate rate) {
            this.master = master;
            this.rate = rate;
            this.rows = laid.rows(master.id());
            this.tracks = laid.trackRows(master.id());
            master.main().clips().forEach(s -> clips.putIfAbsent(s.shotId(), s));
        }

        /** What is heard under a render of a shot, where the master shows it as the render does. */
        List<MovieSound> ofShot(long shotId, RenderRange range) {
            FrameRange place = placeOf(shotId, range);
            return place == null ? List.of() : clips(place);
        }

        private FrameRange placeOf(long shotId, RenderRange range) {
            for (Clip clip : clips.get(shotId) == null ? List.<Clip>of() : master.main().clips()) {
                FrameRange place = clip.shotId() == shotId ? range.on(clip) : null;
                if (place != null) {
                    return place;
                }
            }
            return null;
        }

        /** The same as a digest that is equal where it sounds the same; where the master shows it otherwise, of nothing. */
        String digestOfShot(long shotId, RenderRange range) {
            FrameRange place = rows.isEmpty() ? null : placeOf(shotId, range);
            return Fingerprint.digest(place == null ? "" : String.join("\n", lines(place)));
        }

        /** The same by what is heard, however it is cut into clips. */
        String heardOfShot(long shotId, RenderRange range) {
            FrameRange place = rows.isEmpty() ? null : placeOf(shotId, range);
            return place == null ? Fingerprint.digest("") : heardIn(place);
        }

        String heardIn(FrameRange movie) {
            List<HeardSound> heard = heard(movie).stream().map(h -> h.told(movie)).toList();
            return Fingerprint.digest(HeardSound.joined(heard, rate.seconds(1)).toString());
        }

        List<MovieSound> clips(FrameRange movie) {
            return heard(movie).stream().map(h -> h.clip(movie)).toList();
        }

        /** What is heard in a stretch, a line each, counted from its first frame. */
        List<String> lines(FrameRange movie) {
            return heard(movie).stream().map(h -> h.line(movie)).sorted().toList();
        }

        private List<Heard> heard(FrameRange movie) {
            List<Heard> heard = new ArrayList<>();
            for (SoundRow sound : rows) {
                long in = Math.max(sound.recIn, movie.in());
                long out = Math.min(sound.recOut, movie.out());
                double gain = LaidSound.gain(sound, tracks);
                if (sound.mediaId != null && in < out && gain > 0) {
                    heard.add(new Heard(sound, FrameRange.of(in, out), gain));
                }
            }
            return heard;
        }

        /** A sound as far as it is heard. @param gain 1 as it was recorded */
        private final class Heard {
            private final SoundRow sound;
            private final FrameRange at;
            private final double gain;

            private Heard(SoundRow sound, FrameRange at, double gain) {
                this.sound = sound;
                this.at = at;
                this.gain = gain;
            }

            private Rational from() {
                return sound.fromSeconds.plus(rate.seconds(at.in() - sound.recIn));
            }

            MovieSound clip(FrameRange movie) {
                boolean plain = gain == 1 && sound.fadeIn == 0 && sound.fadeOut == 0;
                MovieSound.Loudness loud = plain ? MovieSound.Loudness.PLAIN : new MovieSound.Loudness(gain,
                        rate.seconds(at.in() - sound.recIn), rate.seconds(sound.recOut - sound.recIn),
                        rate.seconds(sound.fadeIn), rate.seconds(sound.fadeOut));
                return new MovieSound(media.file(store.get(MediaRow.class, sound.mediaId)), from(),
                        rate.seconds(at.length()), rate.seconds(at.in() - movie.in()), loud, sound.channel);
            }

            HeardSound told(FrameRange movie) {
                return new HeardSound(sound.mediaId + " " + sound.channel, from(), at.in() - movie.in(), at.length(), gain, at.in() - sound.recIn,
                        sound.fadeIn, sound.recOut - at.out(), sound.fadeOut);
            }

            String line(FrameRange movie) {
                return sound.mediaId + " " + from() + " " + (at.in() - movie.in()) + " " + at.length() + " " + gain + " "
                        + (at.in() - sound.recIn) + " " + sound.fadeIn + " " + sound.fadeOut + " "
                        + (sound.recOut - sound.recIn) + (sound.channel == 0 ? "" : " channel " + sound.channel);
            }
        }
    }

    Under under(Master master, FrameRate rate) {
        return new Under(master, rate);
    }
}
