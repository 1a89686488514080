package freshsplice.core.delivery;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.Track;
import freshsplice.core.motion.Channel;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Stage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The fingerprint of a whole master: what is seen and heard of it and nothing else, written down in one order, so that it is
 * the same in every run. Names and ids that no picture shows are not in it.
 */
public final class MasterFingerprint {
    /** Its parts. */
    public static final String EDIT = "edit";
    public static final String CAMERAS = "cameras";
    public static final String SET = "set";
    public static final String SOUND = "sound";

    private MasterFingerprint() {
    }

    /**
     * @param nested every master that it nests, by id
     * @param filmed by shot id; shots that are not shown are left aside
     * @param blur   whether its pictures show what is in focus: those that are sharp all over do not change with it
     * @param sound  what is heard, a line each, in order
     */
    public static Fingerprint of(Master master, Map<Long, Master> nested, Map<Long, FilmedShot> filmed, boolean blur, List<String> sound) {
        StringBuilder edit = new StringBuilder();
        TreeSet<Long> shown = new TreeSet<>();
        write(master, edit, shown);
        new TreeMap<>(nested).forEach((id, inner) -> {
            edit.append("nested ").append(id).append('\n');
            write(inner, edit, shown);
        });
        StringBuilder cameras = new StringBuilder();
        StringBuilder sets = new StringBuilder();
        List<Stage> seen = new ArrayList<>();
        shown.stream().filter(filmed::containsKey).forEach(shot -> {
            write(shot, filmed.get(shot).camera(), blur, cameras);
            Stage stage = filmed.get(shot).stage();
            if (!seen.contains(stage)) {
                seen.add(stage);
                stage.items().forEach(item -> write(item, sets));
            }
            sets.append(shot).append(" in set ").append(seen.indexOf(stage)).append('\n');
        });
        return new Fingerprint(Map.of(EDIT, Fingerprint.digest(edit.toString()), CAMERAS,
                Fingerprint.digest(cameras.toString()), SET, Fingerprint.digest(sets.toString()), SOUND,
                Fingerprint.digest(String.join("\n", sound))));
    }

    private static void write(Master master, StringBuilder to, TreeSet<Long> shown) {
        for (Track track : master.tracks()) {
            to.append("track ").append(track.enabled()).append('\n');
            for (Clip clip : track.clips()) {
                if (clip.shotId() != 0) {
                    shown.add(clip.shotId());
                }
                to.append(clip.content()).append(' ').append(clip.record().in() - master.start()).append(' ')
                        .append(clip.record().length()).append(' ').append(clip.from()).append(' ')
                        .append(clip.speed()).append(' ').append(RetimeKey.text(clip.retimeKeys())).append(' ')
                        .append(clip.enabled()).append(' ').append(clip.head()).append(' ')
                        .append(clip.tail()).append('\n');
            }
        }
    }

    private static void write(long shot, Camera camera, boolean blur, StringBuilder to) {
        to.append(shot).append(' ').append(camera.back()).append(' ').append(camera.aim()).append(' ')
                .append(blur ? camera.focusOn() : null).append(' ').append(camera.mounts());
        camera.layers().stream().filter(LayerUse::on).forEach(use -> to.append(' ').append(use.layer().sway())
                .append(new TreeMap<>(use.layer().amounts())).append(use.from()).append(' ').append(use.frames()).append(' ')
                .append(use.strength()));
        for (CameraChannel channel : CameraChannel.values()) {
            if (blur || channel != CameraChannel.FOCUS && channel != CameraChannel.STOP) {
                write(channel.word(), camera.channels().get(channel), to);
            }
        }
        to.append('\n');
    }

    private static void write(Item item, StringBuilder to) {
        to.append(String.join(" ", item.geometry().parts())).append(' ').append(item.width()).append(' ')
                .append(item.height()).append(' ').append(item.depth());
        for (ItemChannel channel : ItemChannel.values()) {
            write(channel.word(), item.channels().get(channel), to);
        }
        to.append('\n');
    }

    private static void write(String name, Channel channel, StringBuilder to) {
        if (channel != null) {
            to.append(' ').append(name).append(channel.keys()).append(channel.plain());
        }
    }
}
