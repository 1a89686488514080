package freshsplice.server.http.cuts;

import freshsplice.core.cut.Remark;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.RenderName;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import freshsplice.server.cuts.HandingBack;
import freshsplice.server.http.files.Attachment;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The list that goes back to the edit room. */
@RestController
@RequestMapping("/api")
class HandBackController {
    /** What the written list does not show as our renders would, before it is taken, and its clips in figures. */
    record HandBackView(List<IntakeView.Note> remarks, HandBack.Tally tally) {
    }

    private final HandingBack handing;

    HandBackController(HandingBack handing) {
        this.handing = handing;
    }

    /**
     * What a list handed back now would hold.
     *
     * @param master     which master; the project's first without
     * @param grade      that renders are at least to have; any that counts without
     * @param gap        whether nothing stands where no render is, instead of the edit room's own source
     * @param shortReels whether reel names are cut to eight letters
     */
    @GetMapping("/projects/{id}/hand-back")
    @Transactional(readOnly = true)
    public HandBackView handBackView(@PathVariable long id, @RequestParam(defaultValue = "edl") String format,
                                     @RequestParam(required = false) Long master,
                                     @RequestParam(required = false) Grade grade,
                                     @RequestParam(defaultValue = "false") boolean gap,
                                     @RequestParam(defaultValue = "false") boolean shortReels) {
        HandBack.HandedBack back = handing.list(id, master, grade, rest(gap));
        WrittenFile written = Formats.writer(format).write(back.cut(), new WriteOptions(null, shortReels, 0));
        List<Remark> remarks = new ArrayList<>(back.remarks());
        remarks.addAll(written.remarks());
        return new HandBackView(remarks.stream().map(r -> new IntakeView.Note(r.severity().word(), r.place(),
                r.text())).toList(), back.tally());
    }

    private static HandBack.Rest rest(boolean gap) {
        return gap ? HandBack.Rest.GAP : HandBack.Rest.BOARD;
    }

    /**
     * The list itself, in the format asked for: events name our renders and the renders' own timecode. From the first one on
     * shots keep their numbers, which is why it is not asked for by GET.
     */
    @PostMapping("/projects/{id}/hand-back/{format}")
    ResponseEntity<byte[]> handBackFile(@PathVariable long id, @PathVariable String format,
                                        @RequestParam(defaultValue = "false") boolean shortReels,
                                        @RequestParam(defaultValue = "false") boolean gap,
                                        @RequestParam(required = false) Long master,
                                        @RequestParam(required = false) Grade grade) {
        HandBack.HandedBack back = handing.back(id, master, grade, rest(gap));
        WrittenFile written = Formats.writer(format).write(back.cut(), new WriteOptions(null, shortReels, 0));
        String ending = format.equals("xmeml") ? "xml" : format;
        return Attachment.of(RenderName.fileSafe(back.cut().name()) + "_handed_back." + ending, written.bytes());
    }
}
