package freshsplice.server.renders;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRate;
import freshsplice.render.JobFile;
import freshsplice.render.Reel;
import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import org.springframework.stereotype.Component;

/** Reads where the pictures of versions lie that other programs made: they are read and not drawn. */
@Component
class GivenDrawings {
    private final Store store;
    private final MediaStore media;

    GivenDrawings(Store store, MediaStore media) {
        this.store = store;
        this.media = media;
    }

    Drawing of(RenderRow render, Recipe recipe, ProjectRow project) {
        ShotRow shot = store.get(ShotRow.class, render.shotId);
        MediaRow media = store.get(MediaRow.class, render.mediaId);
        FrameRate rate = render.rate == null ? project.rate : render.rate;
        Map<Long, MediaRow> files = new HashMap<>();
        LongFunction<PicturePlan.Source> source;
        if (media.kind == MediaRow.Kind.RUN) {
            Map<Long, MediaRow> pictures = this.media.pictures(media);
            pictures.values().forEach(f -> files.put(f.id, f));
            source = k -> new PicturePlan.Source.OfRender(pictures.get(media.startFrame + k).id, 0);
        } else {
            files.put(media.id, media);
            source = k -> new PicturePlan.Source.OfRender(media.id, k);
        }
        Map<Long, String> keys = new HashMap<>();
        Map<String, Reel> reels = new HashMap<>();
        files.forEach((id, file) -> {
            keys.put(id, "media " + id);
            reels.put("media " + id, new Reel(this.media.file(file), rate, file.sha256));
        });
        RenderRange range = FinishedRenders.range(render);
        PicturePlan plan = PicturePlan.ofPictures(render.name, shot.code, range, rate, project.rate, project.dropFrame, source);
        FileNames names = new FileNames(project.name, store.get(SceneRow.class, shot.sceneId).name, FinishedRenders.name(render), render.grade, "", "");
        RenderJob job = new RenderJob(names, recipe, range, rate, plan.startLabel());
        return new Drawing(new JobFile.Contents(job, reels, List.of()), new FrameOrders(plan, recipe, false, new FrameOrders.Names(Map.of(), keys, Map.of(),
                render.who, "", null)), new Fingerprint(Map.of()));
    }
}
