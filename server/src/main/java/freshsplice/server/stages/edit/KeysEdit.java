package freshsplice.server.stages.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.edit.KeyEdits;
import freshsplice.core.camera.edit.KeyPlace;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A camera's keys, over several channels at once. */
public sealed interface KeysEdit extends CameraEdit {
    int MOST = 10_000;
    String CHOOSE = "chooses no key";

    /** A key by where it is. @param channel null for all channels that have one there */
    record At(@Schema(nullable = true) String channel, @NotNull(message = NEEDED) Long frame) {
    }

    /** Keys a camera as it is. @param channels null for what is keyed, or for place and turn where nothing is */
    record Add(@NotNull(message = NEEDED) Long frame, @Schema(nullable = true) List<@NotNull String> channels,
                @Schema(nullable = true) String easing) implements KeysEdit {
        @Override
        public String words() {
            return "Key";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return SetValues.key(camera, frame, channels == null ? List.of() : channels.stream().map(CameraChannel::named).toList(),
                    easing == null ? Easing.EASED : Easing.parse(easing));
        }
    }

    record Remove(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid At> keys) implements KeysEdit {
        @Override
        public String words() {
            return "Remove keys of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return KeyEdits.remove(camera, places(camera, keys));
        }
    }

    /** @param by frames, later (+) or earlier (−) */
    record Move(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid At> keys, @NotNull(message = NEEDED) Long by)
            implements KeysEdit {
        @Override
        public String words() {
            return "Move keys of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return KeyEdits.move(camera, places(camera, keys), by);
        }
    }

    /** @param pivot the frame that stays; @param factor such as 2 or 6/7 */
    record Scale(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid At> keys, @NotNull(message = NEEDED) Long pivot,
                 @NotNull(message = NEEDED) String factor) implements KeysEdit {
        @Override
        public String words() {
            return "Scale keys of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return KeyEdits.scale(camera, places(camera, keys), pivot, Rational.parse(factor));
        }
    }

    /** How keys are left and reached; null leaves a side as it is. @param arriving empty for as the key before is left */
    record Ease(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid At> keys, @Schema(nullable = true) String leaving,
                @Schema(nullable = true) String arriving, @Schema(nullable = true) Way way) implements KeysEdit {
        @Override
        public String words() {
            return "Ease keys of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return KeyEdits.ease(camera, places(camera, keys), leaving == null ? null : Easing.parse(leaving),
                    arriving == null ? null : Easing.parse(arriving), way);
        }
    }

    record Value(@NotNull(message = NEEDED) String channel, @NotNull(message = NEEDED) Long frame,
                 @NotNull(message = NEEDED) Double value) implements KeysEdit {
        @Override
        public String words() {
            return "Type a key of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return KeyEdits.value(camera, new KeyPlace(CameraChannel.named(channel), frame), value);
        }
    }

    /** A key as it was copied. */
    record CopiedKey(@NotNull(message = NEEDED) String channel, @NotNull(message = NEEDED) Long frame,
                  @NotNull(message = NEEDED) Double value, @NotNull(message = NEEDED) String leaving,
                  @Schema(nullable = true) String arriving, @NotNull(message = NEEDED) Way way) {
        Key key() {
            return new Key(frame, value, Easing.parse(leaving), arriving == null ? null : Easing.parse(arriving), way);
        }
    }

    /** Lays copied keys so that the earliest stands on a frame. */
    record Paste(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid CopiedKey> keys, @NotNull(message = NEEDED) Long at)
            implements KeysEdit {
        @Override
        public String words() {
            return "Paste keys into";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            Map<CameraChannel, List<Key>> copied = new EnumMap<>(CameraChannel.class);
            keys.stream().collect(Collectors.groupingBy(k -> CameraChannel.named(k.channel()))).forEach((channel, of) ->
                    copied.put(channel, of.stream().map(CopiedKey::key).toList()));
            return KeyEdits.paste(camera, copied, at);
        }
    }

    private static java.util.Set<KeyPlace> places(Camera camera, List<At> keys) {
        java.util.Set<KeyPlace> places = keys.stream().flatMap(k -> k.channel() == null ? KeyEdits.at(camera, k.frame()).stream()
                : java.util.stream.Stream.of(new KeyPlace(CameraChannel.named(k.channel()), k.frame()))).collect(Collectors.toSet());
        if (places.isEmpty()) {
            throw new Refused("There is no key at frame " + keys.get(0).frame() + " any more");
        }
        return places;
    }
}
