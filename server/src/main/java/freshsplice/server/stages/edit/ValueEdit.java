package freshsplice.server.stages.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.camera.check.Clearance;
import freshsplice.core.camera.edit.ClearKey;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.camera.edit.RecordedWalk;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Easing;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** What a camera is set to. */
public sealed interface ValueEdit extends CameraEdit {
    /** Typed or pulled values at a frame. @param values by channel name, lower case; @param easing how a new key is left */
    record Set(@NotNull(message = NEEDED) Long frame, @NotEmpty(message = NEEDED) Map<String, @NotNull Double> values,
               @Schema(nullable = true) Reach reach, @Schema(nullable = true) String easing) implements ValueEdit {
        @Override
        public String words() {
            return "Set " + String.join(", ", values.keySet().stream().sorted().toList()) + " of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return SetValues.at(camera, frame, CameraChannel.byWord(values), reachOf(reach), easingOf(easing));
        }
    }

    /**
     * The camera goes where a view is.
     *
     * @param placed the view's place in the world, 16 numbers, columns first
     * @param lens   mm; null to keep its own
     * @param keepAim whether a camera that is aimed stays so and only its place goes there
     */
    record FilmFrom(@NotNull(message = NEEDED) Long frame, @NotNull(message = NEEDED) double[] placed,
                    @Schema(nullable = true) Double lens, @Schema(nullable = true) Reach reach, boolean keepAim) implements ValueEdit {
        @Override
        public String words() {
            return "Film from the scout view with";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            PoseStack stack = PoseStack.of(camera, set.stage());
            CameraPose.Place place = stack.valuesFor(CameraPose.checked(placed), set.moment(frame));
            Map<CameraChannel, Double> values = new EnumMap<>(place.values());
            if (lens != null) {
                values.put(CameraChannel.LENS, lens);
            }
            boolean aimed = keepAim && camera.aim() != null;
            if (aimed) {
                values.keySet().removeAll(List.of(CameraChannel.PAN, CameraChannel.TILT, CameraChannel.ROLL));
            }
            return SetValues.at(aimed ? camera : camera.aimed(null), frame, values, reachOf(reach), Easing.EASED);
        }
    }

    /** Another film back, in millimetres. */
    record Back(@NotNull(message = NEEDED) Double width, @NotNull(message = NEEDED) Double height) implements ValueEdit {
        @Override
        public String words() {
            return "Change the back of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return camera.on(new FilmBack(width, height));
        }
    }

    /** Another lens with the subject kept at its size. @param metres the subject's distance now */
    record KeepSize(@NotNull(message = NEEDED) Long frame, @NotNull(message = NEEDED) Double metres,
                    @NotNull(message = NEEDED) Double lens, @Schema(nullable = true) Reach reach) implements ValueEdit {
        @Override
        public String words() {
            return "Change the lens at the subject's size of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return SetValues.at(camera, frame, freshsplice.core.camera.edit.KeepSize.forLens(PoseStack.of(camera, set.stage()),
                    set.moment(frame), metres, lens).values(), reachOf(reach), Easing.EASED);
        }
    }

    /** A viewpoint of a move. @param frames of the way to the next */
    record Stop(@NotNull(message = NEEDED) Long viewpoint, long frames, boolean halt) {
    }

    /** The whole movement through viewpoints. @param from shot frame of the first */
    record MoveThrough(@NotNull(message = NEEDED) Long from, @NotEmpty(message = NEEDED) List<@Valid Stop> stops)
            implements ValueEdit {
        @Override
        public String words() {
            return "Move through " + stops.size() + " viewpoints with";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return freshsplice.core.camera.edit.MoveThrough.of(camera.aimed(null), stops.stream()
                    .map(s -> new freshsplice.core.camera.edit.MoveThrough.Stop(set.viewpoint(s.viewpoint()), s.frames(), s.halt()))
                    .toList(), from);
        }
    }

    /** Where a view was at a time. @param placed 16 numbers, columns first; @param lens mm */
    record WalkSample(double seconds, @NotNull(message = NEEDED) double[] placed, double lens) {
    }

    /**
     * The whole movement as a view was walked or flown, with as few keys as keep to it.
     *
     * @param from    shot frame at which it began
     * @param metres  how far its place may be from what was recorded
     * @param degrees how far its turn may be
     */
    record Walk(@NotNull(message = NEEDED) Long from, @NotEmpty(message = NEEDED) @Size(max = MOST_WALKED) List<@Valid WalkSample> samples,
                double metres, double degrees) implements ValueEdit {
        @Override
        public String words() {
            return "Record a walk with";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            Camera free = camera.aimed(null);
            return RecordedWalk.of(free, PoseStack.of(free, set.stage()), set::moment, samples.stream().map(s ->
                    new RecordedWalk.Sample(s.seconds(), CameraPose.checked(s.placed()), s.lens())).toList(), from, set.rate(),
                    new RecordedWalk.Tolerance(metres, degrees));
        }
    }

    /** Samples of a recording: several minutes of a hand that never rests. */
    int MOST_WALKED = 50_000;

    /** A key at a frame that keeps clear of what comes too near there. */
    record Clear(@NotNull(message = NEEDED) Long frame) implements ValueEdit {
        @Override
        public String words() {
            return "Clear the way of";
        }

        @Override
        public Camera on(Camera camera, OnSet set) {
            return ClearKey.at(camera, set.stage(), set.moment(frame), frame, Clearance.ENOUGH);
        }
    }

    /** A key is made where nobody says what else is meant. */
    private static Reach reachOf(Reach given) {
        return given == null ? Reach.HERE : given;
    }

    /** How a key goes on: softly where nobody says. */
    private static Easing easingOf(String given) {
        return given == null ? Easing.EASED : Easing.parse(given);
    }
}
