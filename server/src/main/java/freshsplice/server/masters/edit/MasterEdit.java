package freshsplice.server.masters.edit;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Fades;
import java.util.List;
import java.util.Set;

/** One edit of a master. Its fields are checked before it is done. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = TrimEdit.Head.class, name = "HEAD"),
    @Type(value = TrimEdit.Tail.class, name = "TAIL"),
    @Type(value = TrimEdit.Slip.class, name = "SLIP"),
    @Type(value = TrimEdit.Slide.class, name = "SLIDE"),
    @Type(value = OrderEdit.Split.class, name = "SPLIT"),
    @Type(value = OrderEdit.Join.class, name = "JOIN"),
    @Type(value = OrderEdit.Lift.class, name = "LIFT"),
    @Type(value = OrderEdit.Extract.class, name = "EXTRACT"),
    @Type(value = OrderEdit.Duplicate.class, name = "DUPLICATE"),
    @Type(value = OrderEdit.Swap.class, name = "SWAP"),
    @Type(value = OrderEdit.Move.class, name = "MOVE"),
    @Type(value = OrderEdit.Switch.class, name = "SWITCH"),
    @Type(value = ContentEdit.Replace.class, name = "REPLACE"),
    @Type(value = ContentEdit.CutTo.class, name = "CUT_TO"),
    @Type(value = ContentEdit.Fork.class, name = "FORK"),
    @Type(value = ContentEdit.CopyUp.class, name = "COPY_UP"),
    @Type(value = ContentEdit.LayDown.class, name = "LAY_DOWN"),
    @Type(value = ContentEdit.Nest.class, name = "NEST"),
    @Type(value = ContentEdit.Open.class, name = "OPEN"),
    @Type(value = PlaceEdit.Roll.class, name = "ROLL"),
    @Type(value = PlaceEdit.Put.class, name = "PUT"),
    @Type(value = PlaceEdit.Paste.class, name = "PASTE"),
    @Type(value = PlaceEdit.Clear.class, name = "CLEAR"),
    @Type(value = PlaceEdit.NewShot.class, name = "NEW_SHOT"),
    @Type(value = SpeedEdit.Fill.class, name = "FILL"),
    @Type(value = SpeedEdit.FillGap.class, name = "FILL_GAP"),
    @Type(value = SpeedEdit.Speed.class, name = "SPEED"),
    @Type(value = SpeedEdit.Reverse.class, name = "REVERSE"),
    @Type(value = SpeedEdit.Hold.class, name = "HOLD"),
    @Type(value = KeyEdit.Key.class, name = "KEY"),
    @Type(value = KeyEdit.MoveKey.class, name = "MOVE_KEY"),
    @Type(value = KeyEdit.EaseKey.class, name = "EASE_KEY"),
    @Type(value = KeyEdit.RemoveKey.class, name = "REMOVE_KEY"),
    @Type(value = FadeEdit.Dissolve.class, name = "DISSOLVE"),
    @Type(value = FadeEdit.FadeOut.class, name = "FADE_OUT"),
    @Type(value = TrackEdit.Add.class, name = "TRACK_ADD"),
    @Type(value = TrackEdit.Remove.class, name = "TRACK_REMOVE"),
    @Type(value = TrackEdit.Rename.class, name = "TRACK_RENAME"),
    @Type(value = TrackEdit.Switch.class, name = "TRACK_SWITCH"),
    @Type(value = TrackEdit.Lock.class, name = "TRACK_LOCK"),
    @Type(value = TrackEdit.Order.class, name = "TRACK_ORDER"),
})
public sealed interface MasterEdit permits ClipsEdit, PlaceEdit, TrackEdit, Moving {
    /** The word for a field that an edit cannot do without. */
    String NEEDED = "is needed for this edit";

    /** What it is called in the history, before the names of what it is done to. */
    String words();

    /** The master after it. @throws freshsplice.core.refusal.Refusal if it cannot be done; says which frame and why */
    Master on(Master master, Surroundings around);

    /** Ids of the clips that it is done to; none for one that is done to a place or a track. */
    default List<Long> clips() {
        return List.of();
    }

    /** Indexes of the tracks whose clips it is done to. */
    default Set<Integer> tracks(Master master) {
        return Set.of();
    }

    /** Frames by which it moves something, later (+) or earlier (−), to be said with its name; null where it does not. */
    default Long movedBy() {
        return null;
    }

    default boolean changesSpeed() {
        return false;
    }

    /** Whether sound stays where it is when its picture moves; null for no. */
    default Boolean soundStays() {
        return null;
    }

    /** What holds after every edit: transitions have room, and the master begins with its first clip. */
    default Master settled(Master before, Master after) {
        return Fades.settled(before, after).fromItsFirst();
    }
}
