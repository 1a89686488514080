package freshsplice.core.cut;

import java.util.Comparator;
import java.util.List;

/**
 * One track of an edit.
 *
 * @param kind        picture or sound
 * @param name        its name, or V1, V2, A1 … by order where the format has none
 * @param enabled     switched off tracks are kept and not seen
 * @param events      in record order; neighbours overlap only in a transition, or where the file itself overlaps them
 * @param transitions in record order
 * @param kept        what else its file says about it; may be null
 */
public record Track(Kind kind, String name, boolean enabled, List<Event> events, List<Transition> transitions,
                   FormatNote kept) {
    public enum Kind {
        PICTURE, SOUND;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Track {
        events = events.stream().sorted(Comparator.comparingLong((Event e) -> e.record().in())).toList();
        transitions = transitions.stream()
                .sorted(Comparator.comparingLong((Transition t) -> t.record().in())).toList();
    }

    Track switchedOn() {
        return enabled ? this : new Track(kind, name, true, events, transitions, kept);
    }

    public Track(Kind kind, String name, boolean enabled, List<Event> events, List<Transition> transitions) {
        this(kind, name, enabled, events, transitions, null);
    }
}
