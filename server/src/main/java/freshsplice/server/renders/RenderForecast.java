package freshsplice.server.renders;

import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.Finding;
import freshsplice.core.render.FrameNumbers;
import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.Sizes;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.settings.Folders;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What asking for renders would do, said before it is done. */
@Service
public class RenderForecast {
    /**
     * @param renders    how many
     * @param frames     of all of them
     * @param seconds    of all of them
     * @param first      path of the first file that is written
     * @param last       path of the last
     * @param leastBytes of all files, by what was seen here before
     * @param leastTime  seconds until all is done; −1 where nothing was seen yet
     * @param frameBytes that frames can take which are kept beside the files
     * @param free       bytes on the disk; −1 where that cannot be told
     * @param findings   what to look at first
     * @param unlooked   shots whose cameras were not looked at, yet: asked again, more of them are
     */
    public record Forecast(int renders, long frames, double seconds, int width, int height, String rate, String first, String last,
                           double leastBytes, double mostBytes, double leastTime, double mostTime, double frameBytes, long free, List<Finding> findings,
                           int unlooked) {
    }

    private final OwnRecord record;
    private final RenderRequests requests;
    private final FilmedShots shots;
    private final Folders folders;
    private final LookFirst lookFirst;

    RenderForecast(OwnRecord record, RenderRequests requests, FilmedShots shots, Folders folders, LookFirst lookFirst) {
        this.record = record;
        this.requests = requests;
        this.shots = shots;
        this.folders = folders;
        this.lookFirst = lookFirst;
    }

    /** @throws freshsplice.core.refusal.Refusal if it could not be asked for */
    @Transactional(readOnly = true)
    public Forecast of(long projectId, RenderRequests.RenderOrder wanted) {
        List<RenderRequests.PlannedRender> planned = requests.plan(projectId, wanted);
        Recipe recipe = wanted.how().recipe();
        long frames = planned.stream().mapToLong(p -> p.range().frames()).sum();
        Map<Long, FilmedShot> filmed = this.shots.of(projectId).filmed();
        List<RenderRow> newest = record.newest();
        Sizes.Range bytes = record.sizes(newest).of(recipe, frames);
        Optional<Sizes.Range> time = record.seconds(newest, recipe, planned.size(), frames);
        OptionalLong free = FreeSpace.at(folders.renders());
        List<FilmedShot> shots = planned.stream().map(RenderRequests.PlannedRender::shotId).distinct().map(filmed::get).filter(f -> f != null).toList();
        LookFirst.Looks looked = lookFirst.of(shots, recipe.look().aspect());
        return new Forecast(planned.size(), frames, planned.stream().mapToDouble(p -> p.rate().seconds(p.played()).toDouble()).sum(),
                recipe.look().width(), recipe.look().height(), recipe.rate(planned.isEmpty() ? FrameRate.FPS_24
                        : planned.get(0).rate()).toString(), planned.isEmpty() ? "" : path(planned.get(0), filmed, wanted.how(), false),
                planned.isEmpty() ? "" : path(planned.get(planned.size() - 1), filmed, wanted.how(), true), bytes.least(), bytes.most(),
                time.map(Sizes.Range::least).orElse(-1.0), time.map(Sizes.Range::most).orElse(-1.0), Sizes.keptFrames(recipe, frames).most(), free.orElse(-1),
                looked.findings(), looked.unlooked());
    }

    private static String path(RenderRequests.PlannedRender planned, Map<Long, FilmedShot> filmed, RenderRequests.How how, boolean last) {
        FileNames names = new FileNames(planned.project(), planned.scene(), planned.name(), how.grade(),
                planned.shotId() == null ? "" : filmed.get(planned.shotId()).camera().name(),
                how.recipeName() == null ? "" : how.recipeName());
        Output output = how.recipe().written().stream().findFirst().orElse(Output.of(OutputKind.H264));
        RenderRange range = planned.range();
        if (output.kind().isMovie()) {
            return names.folder() + "/" + names.movie(how.recipe(), output.kind());
        }
        FrameNumbers.Run run = output.numbering().of(range);
        return names.folder() + "/" + names.picture(how.recipe(), output.kind(), run, last ? range.frames() - 1 : 0);
    }
}
