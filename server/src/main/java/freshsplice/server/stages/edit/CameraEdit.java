package freshsplice.server.stages.edit;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.camera.Camera;

/** One edit of a camera. Its fields are checked before it is done; a camera that is locked lets none through but its unlocking. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = ValueEdit.Set.class, name = "SET"),
    @Type(value = ValueEdit.FilmFrom.class, name = "FILM_FROM"),
    @Type(value = ValueEdit.Back.class, name = "BACK"),
    @Type(value = ValueEdit.KeepSize.class, name = "KEEP_SIZE"),
    @Type(value = ValueEdit.MoveThrough.class, name = "MOVE_THROUGH"),
    @Type(value = ValueEdit.Walk.class, name = "WALK"),
    @Type(value = ValueEdit.Clear.class, name = "CLEAR"),
    @Type(value = KeysEdit.Add.class, name = "KEY"),
    @Type(value = KeysEdit.Remove.class, name = "REMOVE_KEYS"),
    @Type(value = KeysEdit.Move.class, name = "MOVE_KEYS"),
    @Type(value = KeysEdit.Scale.class, name = "SCALE_KEYS"),
    @Type(value = KeysEdit.Ease.class, name = "EASE_KEYS"),
    @Type(value = KeysEdit.Value.class, name = "KEY_VALUE"),
    @Type(value = KeysEdit.Paste.class, name = "PASTE_KEYS"),
    @Type(value = TieEdit.Aim.class, name = "AIM"),
    @Type(value = TieEdit.FocusOn.class, name = "FOCUS_ON"),
    @Type(value = TieEdit.Mount.class, name = "MOUNT"),
    @Type(value = TieEdit.Free.class, name = "FREE"),
    @Type(value = LayerEdit.Add.class, name = "LAYER_ADD"),
    @Type(value = LayerEdit.Share.class, name = "LAYER_SHARE"),
    @Type(value = LayerEdit.Change.class, name = "LAYER_CHANGE"),
    @Type(value = LayerEdit.Reshape.class, name = "LAYER_RESHAPE"),
    @Type(value = LayerEdit.Remove.class, name = "LAYER_REMOVE"),
    @Type(value = KeepEdit.Lock.class, name = "LOCK"),
    @Type(value = KeepEdit.Rename.class, name = "RENAME"),
})
public sealed interface CameraEdit permits ValueEdit, KeysEdit, TieEdit, LayerEdit, KeepEdit {
    /** The word for a field that an edit cannot do without. */
    String NEEDED = "is needed for this edit";

    /** What it is called in the history, before the camera's name. */
    String words();

    /** The camera after it. @throws freshsplice.core.refusal.Refusal if it cannot be done; says which frame and why */
    Camera on(Camera camera, OnSet set);

    /** Whether it may be done to a camera that is locked. */
    default boolean passesLock() {
        return false;
    }
}
