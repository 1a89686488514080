package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.Rational;

/** One action, several cameras: from a frame on another shot's camera is live, and the action goes on. */
public final class LiveCamera {
    private LiveCamera() {
    }

    /**
     * Cuts to another shot at a record frame: the clip there is split, and what follows of it shows the other shot at
     * the same action frames. At the first frame of a clip the whole clip is changed.
     *
     * @param from the shot that the clip shows
     * @param to   the shot to cut to
     * @throws IllegalArgumentException if the frame is black, or the shot is live there already
     */
    public static Master cutTo(Master master, Place place, long at, Shot from, Shot to) {
        Clip clip = place.in(master);
        if (!clip.record().contains(at) || clip.shotId() != from.id()) {
            throw new Refusal("Record frame " + at + " does not show " + from.code() + " any more");
        }
        if (from.id() == to.id()) {
            throw new Refusal(to.code() + " is live at that frame already");
        }
        Rational position = from.actionAt(clip.at(at)).minus(Rational.of(to.actionOffset()));
        boolean whole = at == clip.record().in();
        Master split = whole ? master : Arranging.split(master, place, at);
        int index = whole ? place.index() : place.index() + 1;
        Place rest = new Place(place.track(), index);
        return rest.changed(split, rest.in(split).showing(new Clip.Content.OfShot(to.id()), position));
    }
}
