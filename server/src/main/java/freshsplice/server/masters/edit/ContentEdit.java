package freshsplice.server.masters.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.LiveCamera;
import freshsplice.core.master.edit.Nesting;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.TrackEdits;
import freshsplice.core.shot.Shot;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** What clips show, and on which track or in which master they lie. */
public sealed interface ContentEdit extends ClipsEdit {
    /** Shows another {@code clip} in the place of one. */
    record Replace(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) @Valid NewClip clip,
                   @Schema(nullable = true) Boolean soundStays) implements ContentEdit {
        @Override
        public String words() {
            return "Replace";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            Clip shown = around.clip(clip);
            return each(master, (m, place) -> Arranging.replace(m, place, shown.content(), shown.from()));
        }
    }

    /** From a frame {@code at} on the camera of {@code shotId} is live. */
    record CutTo(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                 @NotNull(message = NEEDED) Long shotId, @Schema(nullable = true) Boolean soundStays)
                 implements ContentEdit {
        @Override
        public String words() {
            return "Cut to another camera in";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> cut(m, clip, around));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new CutTo(clips, other, shotId, soundStays);
        }

        private Master cut(Master master, Place clip, Surroundings around) {
            Shot to = around.shot(shotId);
            Shot from = around.shot(clip.in(master).shotId());
            if (to == null || from == null) {
                throw new Refused(to == null ? "That shot is not there any more: choose another"
                        : "The clip at record frame " + at + " shows no shot, so no camera of its action can be live there");
            }
            return LiveCamera.cutTo(master, clip, at, from, to);
        }
    }

    /** Makes each clip show a shot of its own, with a copy of its camera's work at the same action frames. */
    record Fork(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                implements ContentEdit {
        @Override
        public String words() {
            return "Fork";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, around::forked);
        }
    }

    /** Puts copies of clips on the next track above that is free there. */
    record CopyUp(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                  implements ContentEdit {
        @Override
        public String words() {
            return "Try on a track above:";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, TrackEdits::copyUp);
        }
    }

    /** Lays clips of tracks above onto the main track, over what is there. */
    record LayDown(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                   implements ContentEdit {
        @Override
        public String words() {
            return "Lay down";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return TrackEdits.layDown(master, places(master));
        }
    }

    /** Makes a master of its own, called {@code text}, of clips that follow each other. */
    record Nest(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) String text)
                implements ContentEdit {
        @Override
        public String words() {
            return "Nest";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return around.nest(master, places(master), text);
        }

        /** The clips are the same in another master: nothing is to settle. */
        @Override
        public Master settled(Master before, Master after) {
            return after;
        }
    }

    /** Lays what a nested master shows into this one. */
    record Open(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                implements ContentEdit {
        @Override
        public String words() {
            return "Lay out";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Nesting.open(m, clip, around.nested()));
        }
    }
}
