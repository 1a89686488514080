package freshsplice.server.stages.edit;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.stage.Shape;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;

/** One edit of a scene's set or of the viewpoints in it. Its fields are checked before it is done. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = SetEdit.Add.class, name = "ADD"),
    @Type(value = SetEdit.Place.class, name = "PLACE"),
    @Type(value = SetEdit.Move.class, name = "MOVE"),
    @Type(value = SetEdit.Key.class, name = "KEY"),
    @Type(value = SetEdit.RemoveKeys.class, name = "REMOVE_KEYS"),
    @Type(value = SetEdit.MoveKeys.class, name = "MOVE_KEYS"),
    @Type(value = SetEdit.Look.class, name = "LOOK"),
    @Type(value = SetEdit.Group.class, name = "GROUP"),
    @Type(value = SetEdit.Hide.class, name = "HIDE"),
    @Type(value = SetEdit.Lock.class, name = "LOCK"),
    @Type(value = SetEdit.Duplicate.class, name = "DUPLICATE"),
    @Type(value = SetEdit.Remove.class, name = "REMOVE"),
    @Type(value = SetEdit.AddCamera.class, name = "ADD_CAMERA"),
    @Type(value = SetEdit.CopyCamera.class, name = "COPY_CAMERA"),
    @Type(value = SetEdit.SetCameras.class, name = "SET_CAMERAS"),
    @Type(value = SetEdit.RemoveCamera.class, name = "REMOVE_CAMERA"),
    @Type(value = SetEdit.KeepViewpoint.class, name = "KEEP_VIEWPOINT"),
    @Type(value = SetEdit.RenameViewpoint.class, name = "RENAME_VIEWPOINT"),
    @Type(value = SetEdit.OrderViewpoint.class, name = "ORDER_VIEWPOINT"),
    @Type(value = SetEdit.RemoveViewpoint.class, name = "REMOVE_VIEWPOINT"),
})
public sealed interface SetEdit {
    String NEEDED = "is needed for this edit";
    String CHOOSE = "chooses no thing";
    int MOST = 5000;
    int LONGEST_NAME = 200;

    /** Ids of the things that it is done to; none for others. */
    default List<Long> items() {
        return List.of();
    }

    /**
     * A new thing. @param size width, height and depth: metres for solids, a factor for figures; null for 1
     *
     * @param group name of the things that it is put together with; null for none
     */
    record Add(@NotNull(message = NEEDED) Shape shape, @Schema(nullable = true) @Size(max = LONGEST_NAME) String name,
               @Schema(nullable = true) String colour, @Schema(nullable = true) double[] size, double x, double y, double z, double turn,
               @Schema(nullable = true) @Size(max = LONGEST_NAME) String group) implements SetEdit {
    }

    /** Where a thing is put. @param values by channel name, lower case */
    record ThingPlace(@NotNull(message = NEEDED) Long id, @NotEmpty(message = NEEDED) Map<String, @NotNull Double> values) {
    }

    /** Puts things somewhere: keyed at the action frame where they move, throughout where they stand still. */
    record Place(@NotNull(message = NEEDED) Long frame, @NotEmpty(message = CHOOSE) @Size(max = MOST) List<@Valid ThingPlace> places,
                 @Schema(nullable = true) String easing) implements SetEdit {
        @Override
        public List<Long> items() {
            return places.stream().map(ThingPlace::id).toList();
        }
    }

    /**
     * Moves things by as much each: keyed at the action frame where they move, throughout where they stand still.
     *
     * @param x     metres; as y and z
     * @param turn  degrees about the upright
     * @param pivot x and z of the upright that they turn about; null for each its own
     * @param size  factor of their sizes; null for 1
     */
    record Move(@NotNull(message = NEEDED) Long frame, @NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items,
                double x, double y, double z, double turn, @Schema(nullable = true) @Size(min = 2, max = 2) double[] pivot,
                @Schema(nullable = true) Double size) implements SetEdit {
    }

    /** Keys things as they are at an action frame. */
    record Key(@NotNull(message = NEEDED) Long frame, @NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items)
            implements SetEdit {
    }

    record RemoveKeys(@NotNull(message = NEEDED) Long frame, @NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items)
            implements SetEdit {
    }

    record MoveKeys(@NotNull(message = NEEDED) Long from, @NotNull(message = NEEDED) Long to,
                    @NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items) implements SetEdit {
    }

    /** What things are called and look like; null leaves that as it is. */
    record Look(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items,
                @Schema(nullable = true) @Size(max = LONGEST_NAME, message = "is longer than 200 letters") String name,
                @Schema(nullable = true) String colour, @Schema(nullable = true) Double width, @Schema(nullable = true) Double height,
                @Schema(nullable = true) Double depth) implements SetEdit {
    }

    /** Puts things together. @param name null to take them apart */
    record Group(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items,
                 @Schema(nullable = true) @Size(max = LONGEST_NAME) String name) implements SetEdit {
    }

    record Hide(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items, @NotNull(message = NEEDED) Boolean hidden)
            implements SetEdit {
    }

    record Lock(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items, @NotNull(message = NEEDED) Boolean locked)
            implements SetEdit {
    }

    /** Copies with all keys, so far to the side. @param x metres */
    record Duplicate(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items, double x, double z) implements SetEdit {
    }

    /** @param frame action frame at which cameras that hang on them stay as they are */
    record Remove(@NotEmpty(message = CHOOSE) @Size(max = MOST) List<@NotNull Long> items, long frame) implements SetEdit {
    }

    /** A camera that films no shot yet. @param placed the view that it begins as, 16 numbers, columns first; @param lens mm */
    record AddCamera(@Schema(nullable = true) @Size(max = LONGEST_NAME) String name, @NotNull(message = NEEDED) double[] placed,
                     @NotNull(message = NEEDED) Double lens) implements SetEdit {
    }

    record CopyCamera(@NotNull(message = NEEDED) Long camera) implements SetEdit {
    }

    /**
     * Sets several cameras alike, throughout: movement of what is set gives way. Null leaves that as it is.
     *
     * @param values by channel name, lower case
     * @param backWidth mm; with {@code backHeight}
     */
    record SetCameras(@NotEmpty(message = "chooses no camera") @Size(max = MOST) List<@NotNull Long> cameras,
                      @Schema(nullable = true) Map<String, @NotNull Double> values, @Schema(nullable = true) Double backWidth,
                      @Schema(nullable = true) Double backHeight, @Schema(nullable = true) Boolean locked) implements SetEdit {
    }

    /** One that films no shot. */
    record RemoveCamera(@NotNull(message = NEEDED) Long camera) implements SetEdit {
    }

    /**
     * Keeps a view.
     *
     * @param viewpoint the one to keep it in; null for a new one
     * @param placed    from the view's own axes to the world, 16 numbers, columns first
     */
    record KeepViewpoint(@Schema(nullable = true) Long viewpoint, @Schema(nullable = true) @Size(max = LONGEST_NAME) String name,
                         @NotNull(message = NEEDED) double[] placed, @NotNull(message = NEEDED) Double lens,
                         @NotNull(message = NEEDED) Double focus) implements SetEdit {
    }

    record RenameViewpoint(@NotNull(message = NEEDED) Long viewpoint,
                           @NotBlank(message = NEEDED) @Size(max = LONGEST_NAME) String name) implements SetEdit {
    }

    /** @param by places to the right (+) or left (−) among the scene's viewpoints */
    record OrderViewpoint(@NotNull(message = NEEDED) Long viewpoint, int by) implements SetEdit {
    }

    record RemoveViewpoint(@NotNull(message = NEEDED) Long viewpoint) implements SetEdit {
    }
}
