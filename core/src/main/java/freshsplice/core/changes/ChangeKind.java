package freshsplice.core.changes;

import java.util.Locale;

/** Kinds of change, the strongest first: a clip that changed in several ways is named by the strongest. */
public enum ChangeKind {
    REPLACED, SPLIT, JOINED, MOVED, RETIMED, SLIPPED, TRIMMED, TRANSITION, SHIFTED, SOUND, NEW, OMITTED;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
