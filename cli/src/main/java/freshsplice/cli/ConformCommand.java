package freshsplice.cli;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.format.Reading;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** {@code conform FILE [--rate R] [--handles 8] [--keep-fragments]}: the shots that would be made. */
final class ConformCommand {
    private ConformCommand() {
    }

    static void run(Arguments arguments, OutputStream out) {
        arguments.allow(Set.of("--rate", "--cut", "--handles", "--keep-fragments"));
        Reading reading = arguments.read(arguments.file(0, 1,
                "conform FILE [--rate R] [--handles 8] [--keep-fragments]"));
        arguments.number("--handles", 8);
        boolean keepApart = arguments.options().containsKey("--keep-fragments");
        Cut cut = arguments.cut(reading);
        ConformPlan plan = Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT)
                .keepingApart(seam -> keepApart));
        List<Remark> remarks = new ArrayList<>(reading.remarks());
        remarks.addAll(plan.remarks());
        try (Json json = new Json(out)) {
            json.object(() -> {
                json.list("shots", plan.shots(), ConformCommand::shot);
                json.remarks(remarks);
            });
        }
    }

    private static void shot(Json json, PlannedShot shot) {
        json.object(() -> {
            json.text("code", shot.code());
            json.range("record", shot.clip().record());
            json.pair("frames", shot.frames().in(), shot.frames().last());
            json.text("camera", shot.camera());
            json.text("source", shot.clip().name());
            json.list("events", shot.clip().paths(), Json::numbers);
        });
    }
}
