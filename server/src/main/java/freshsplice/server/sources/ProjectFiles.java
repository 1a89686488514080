package freshsplice.server.sources;

import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.SourceFinder;
import freshsplice.core.sources.SourceNeed;
import java.util.List;
import java.util.Map;

/**
 * The files of a project as what clips may mean; equal while none came, went or was chosen.
 *
 * @param chosenPictures see {@link SourceFinder}
 */
public record ProjectFiles(List<Candidate> pictures, Map<String, Long> chosenPictures, List<Candidate> sounds,
                           Map<String, Long> chosenSounds) {
    /** @param wanted all that is to be found, see {@link SourceFinder} */
    public Finders finders(List<SourceNeed> wanted) {
        return new Finders(new SourceFinder(pictures, wanted, chosenPictures),
                new SourceFinder(sounds, wanted, chosenSounds));
    }
}
