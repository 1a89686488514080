package freshsplice.server.masters;

import freshsplice.core.master.Passage;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.server.store.SectionRow;

/** A piece of a master that is known by its row, as the core's type. */
final class SectionColumns {
    private SectionColumns() {
    }

    static Section section(SectionRow row) {
        return new Section(row.id, content(row), FrameRange.of(row.recIn, row.recOut), row.fromPosition, row.speed,
                row.bends.keys(), row.enabled, passage(row.headKind, row.headBefore, row.headAfter, row.headCurve),
                passage(row.tailKind, row.tailBefore, row.tailAfter, row.tailCurve));
    }

    private static Section.Content content(SectionRow row) {
        return switch (row.content) {
            case SHOT -> new Section.Content.OfShot(row.shotId);
            case MASTER -> new Section.Content.OfMaster(row.nestedId);
            case RENDER -> new Section.Content.OfRender(row.renderId);
            case BLACK -> new Section.Content.Black();
            case SLATE -> new Section.Content.Slate(row.words);
        };
    }

    private static Passage passage(Passage.Kind kind, long before, long after, Passage.Curve curve) {
        return kind == null ? null : new Passage(kind, before, after, curve == null ? Passage.Curve.EVEN : curve);
    }
}
