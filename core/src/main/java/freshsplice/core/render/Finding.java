package freshsplice.core.render;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.check.Clearance;
import freshsplice.core.camera.check.InFrame;
import freshsplice.core.delivery.FilmedShot;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Something to look at before a shot is rendered.
 *
 * @param shotId the shot
 * @param words  what
 * @param frame  shot frame at which it is to be seen first
 */
public record Finding(long shotId, String words, long frame) {
    /** More of one kind in one shot say nothing new. */
    private static final int MOST_OF_A_KIND = 3;

    /**
     * What is to be said of a shot's camera.
     *
     * @param aspect width over height of the picture
     */
    public static List<Finding> of(FilmedShot filmed, double aspect) {
        long first = filmed.shot().cutRange().in();
        Camera camera = filmed.camera();
        if (!camera.isStaged()) {
            return List.of(new Finding(filmed.shot().id(), "camera never touched", first));
        }
        List<Finding> found = new ArrayList<>(leaving(filmed, aspect));
        found.addAll(cut(filmed));
        return found;
    }

    /** A subject is what the camera turns to or keeps its focus on. */
    private static List<Finding> leaving(FilmedShot filmed, double aspect) {
        Set<Long> subjects = Stream.of(filmed.camera().aim(), filmed.camera().focusOn()).filter(a -> a != null).map(Aim::itemId)
                .collect(Collectors.toSet());
        return subjects.isEmpty() ? List.of() : InFrame.of(filmed.shot(), filmed.camera(), filmed.stage(), subjects, aspect, 1).stream()
                .limit(MOST_OF_A_KIND).map(l -> new Finding(filmed.shot().id(), l.name() + " leaves the frame at "
                        + (l.from() == l.to() ? l.from() : l.from() + "–" + l.to()), l.from())).toList();
    }

    /** Nearer than the near plane nothing is drawn: a thing there is seen cut open. */
    private static List<Finding> cut(FilmedShot filmed) {
        Clearance clearance = Clearance.of(filmed.shot(), filmed.camera(), filmed.stage());
        for (int i = 0; i < clearance.metres().length; i++) {
            if (clearance.metres()[i] < CameraPose.NEAR) {
                int thing = clearance.things()[i];
                String name = thing < 0 || thing >= filmed.stage().items().size() ? "something" : filmed.stage().items().get(thing).name();
                return List.of(new Finding(filmed.shot().id(), name + " is cut by the lens at " + (clearance.first() + i),
                        clearance.first() + i));
            }
        }
        return List.of();
    }
}
