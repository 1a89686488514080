package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Place;
import java.util.List;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;

/** An edit of clips, which are named by their ids: whatever others do before it, it means the same. */
public sealed interface ClipsEdit extends MasterEdit permits TrimEdit, OrderEdit, ContentEdit, SpeedEdit, KeyEdit,
        FadeEdit {
    /** The word for an edit of clips that names none. */
    String CHOOSE = "Choose a clip first";

    /** Where its clips lie. @throws freshsplice.core.refusal.Refusal if one is not there any more */
    default List<Place> places(Master master) {
        return clips().stream().distinct().map(id -> Place.of(master, id)).toList();
    }

    /** Does an edit to one clip after another; that of one does not move the name of the next. */
    default Master each(Master master, BiFunction<Master, Place, Master> edit) {
        Master edited = master;
        for (long id : clips().stream().distinct().toList()) {
            edited = edit.apply(edited, Place.of(edited, id));
        }
        return edited;
    }

    @Override
    default Set<Integer> tracks(Master master) {
        return places(master).stream().map(Place::track).collect(Collectors.toSet());
    }

    /** The same at another record frame, for clips that lie in a nested master with a clock of its own. */
    default MasterEdit onClock(long at) {
        return this;
    }

    /** The record frame that it is done at; null for the clip as a whole. */
    default Long at() {
        return null;
    }
}
