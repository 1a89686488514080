package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.motion.Channel;
import freshsplice.core.stage.Item;
import freshsplice.server.http.stages.StageView.ItemView;
import freshsplice.server.http.stages.StageView.KeyView;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Keys for the window, by the channel's name. */
final class KeyViews {
    private KeyViews() {
    }

    static Map<String, List<KeyView>> of(Camera camera) {
        Map<String, List<KeyView>> views = new TreeMap<>();
        camera.channels().forEach((channel, keys) -> views.put(channel.word(), of(keys)));
        return views;
    }

    static ItemView of(Item item) {
        Map<String, List<KeyView>> views = new TreeMap<>();
        item.channels().forEach((channel, keys) -> views.put(channel.word(), of(keys)));
        return new ItemView(item.id(), item.name(), item.width(), item.height(),
                item.depth(), views);
    }

    private static List<KeyView> of(Channel channel) {
        return channel.keys().stream().map(k -> new KeyView(k.frame(), k.value(), k.easing().word())).toList();
    }
}
