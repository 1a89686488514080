package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;

/** An edit after which what comes later may move along. */
public sealed interface Moving extends MasterEdit permits TrimEdit.Head, TrimEdit.Tail, OrderEdit.TakeOut, OrderEdit.Duplicate, OrderEdit.Move,
        PlaceEdit.Put, PlaceEdit.Paste, PlaceEdit.Clear, PlaceEdit.NewShot, SpeedEdit.Fill {
    /** Which lanes move along as somebody chose; null for the usual: with the main lane all, with another that one. */
    Along along();

    /** Which lanes move along. */
    default Along alongOn(Master master) {
        return along() == null ? Along.usual(lanes(master)) : along();
    }
}
