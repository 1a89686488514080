package freshsplice.server.steps;

import java.util.Arrays;
import java.util.Set;

/** What of a project a step touched, as windows are told: they ask again for what shows it, and for nothing else. */
public enum Room {
    /** Clips, tracks, sound and markers of masters. */
    TRACKS("master", "master_track", "master_marker", "clip", "sound", "sound_track"),
    /** Shots, what they are called, and their boards. */
    SHOTS("shot", "shot_alias", "board", "media"),
    /** Cameras, what moves, carries and shakes them, and viewpoints. */
    CAMERAS("camera", "camera_key", "camera_mount", "camera_layer", "motion_layer", "viewpoint"),
    /** Things and their movement. */
    SET("scene", "item", "item_key"),
    /** Cuts and the choices made about them in Intake. */
    CUTS("cut", "cut_apart", "cut_fix", "cut_camera"),
    /** Which files are which sources. */
    SOURCES("source_choice", "source_pairing"),
    /** Named settings of renders. */
    RECIPES("recipe"),
    /** A project's name and rules. */
    RULES("project");

    private final Set<String> tables;

    Room(String... tables) {
        this.tables = Set.of(tables);
    }

    Set<String> tables() {
        return tables;
    }

    /** @throws IllegalStateException if no room has such a table */
    static Room of(String table) {
        return Arrays.stream(values()).filter(r -> r.tables.contains(table)).findFirst().orElseThrow(() ->
                new IllegalStateException("Say which room the table " + table + " belongs to"));
    }
}
