package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;

/** An edit after which what comes later may move along. */
public sealed interface Moving extends MasterEdit permits TrimEdit.Head, TrimEdit.Tail, OrderEdit.Extract, OrderEdit.Duplicate, OrderEdit.Move,
        PlaceEdit.Put, PlaceEdit.Paste, PlaceEdit.Clear, PlaceEdit.NewShot, SpeedEdit.Fill {
    /** Which tracks move along as somebody chose; null for the usual: with the main track all, with another that one. */
    Along along();

    /** Which tracks move along. */
    default Along alongOn(Master master) {
        return along() == null ? Along.usual(tracks(master)) : along();
    }
}
