package freshsplice.core.render;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.JoinedRenders;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Works out what each frame of a plan is drawn from, as a recipe has it. */
public final class FrameOrders {
    /**
     * What a plan names and does not hold.
     *
     * @param boards by the shot's id
     * @param movies keys of rendered movies, by the render's id
     * @param scenes names, by the shot's id
     * @param who    asked for it
     * @param day    on which it was asked for
     * @param joined renders that shots are shown by where they can be; null where all is drawn
     */
    public record Names(Map<Long, ShotBoard> boards, Map<Long, String> movies, Map<Long, String> scenes, String who, String day,
                        JoinedRenders joined) {
        public static final Names NOTHING = new Names(Map.of(), Map.of(), Map.of(), "", "", null);
    }

    private final PicturePlan plan;
    private final Recipe recipe;
    private final FrameLook look;
    private final boolean whole;
    private final Names named;
    private final Map<FilmedShot, Bake> bakes = new IdentityHashMap<>();
    private final Map<Stage, String> keys = new IdentityHashMap<>();
    private final Map<String, ShownSet> sets = new LinkedHashMap<>();

    /** @param whole whether it is a whole master, in which shots that nobody staged stand as the recipe has it */
    public FrameOrders(PicturePlan plan, Recipe recipe, boolean whole, Names named) {
        this.plan = plan;
        this.recipe = recipe;
        this.look = recipe.look();
        this.whole = whole;
        this.named = named;
    }

    /** The sets that frames asked for so far show, by their keys. */
    public Map<String, ShownSet> sets() {
        return sets;
    }

    /** @param frame counted from 0 */
    public FrameOrder at(long frame) {
        PicturePlan.Picture picture = plan.at(frame);
        List<FrameOrder.Layer> layers = new ArrayList<>();
        List<FrameOrder.Line> lines = new ArrayList<>();
        for (PicturePlan.Layer layer : picture.layers()) {
            add(layer, layers, lines);
        }
        if (picture.layers().stream().anyMatch(this::isJoined)) {
            return new FrameOrder(layers, lines);
        }
        lines.addAll(lines(picture));
        return new FrameOrder(layers, lines, look.aids().stream().filter(a -> !a.isInSet()).toList());
    }

    /** Shown by a render, in which is written already what is to be. */
    private boolean isJoined(PicturePlan.Layer layer) {
        return layer.source() instanceof PicturePlan.Source.OfCamera of && joined(of).isPresent();
    }

    private Optional<JoinedRenders.RenderFrame> joined(PicturePlan.Source.OfCamera of) {
        return named.joined() == null ? Optional.empty() : named.joined().at(of.filmed().shot().id(), of.position());
    }

    private void add(PicturePlan.Layer layer, List<FrameOrder.Layer> layers, List<FrameOrder.Line> lines) {
        if (layer.source() instanceof PicturePlan.Source.OfCamera of) {
            Optional<JoinedRenders.RenderFrame> joined = joined(of);
            if (joined.isPresent()) {
                layers.add(new FrameOrder.Layer(new FrameOrder.Source.OfMovie(named.movies().get(joined.get().render().id()), joined.get().frame()),
                        layer.weight()));
                return;
            }
            ShotBoard board = named.boards().get(of.filmed().shot().id());
            if (isInstead(of)) {
                layers.add(new FrameOrder.Layer(instead(of, board), layer.weight()));
                lines.add(new FrameOrder.Line(BurnIn.Corner.TOP_LEFT, of.filmed().shot().code() + " not staged"));
                return;
            }
            layers.add(new FrameOrder.Layer(set(of), layer.weight()));
            if (look.board() > 0 && board != null) {
                layers.add(new FrameOrder.Layer(board.at(of.filmed().shot(), of.position(), look.aspect()),
                        layer.weight() * look.board() / 100.0));
            }
        } else {
            layers.add(new FrameOrder.Layer(other(layer.source()), layer.weight()));
        }
    }

    /** Whether something else stands for what a camera would see, because nobody staged it. */
    private boolean isInstead(PicturePlan.Source.OfCamera of) {
        return whole && recipe.unstaged() != Recipe.Unstaged.CAMERA && !of.filmed().camera().isStaged();
    }

    private FrameOrder.Source instead(PicturePlan.Source.OfCamera of, ShotBoard board) {
        return switch (recipe.unstaged()) {
            case BOARD -> board == null ? new FrameOrder.Source.OfWords(of.filmed().shot().code())
                    : board.at(of.filmed().shot(), of.position(), look.aspect());
            case SLATE -> new FrameOrder.Source.OfWords(of.filmed().shot().code());
            case BLACK -> new FrameOrder.Source.Black();
            case CAMERA -> set(of);
        };
    }

    private FrameOrder.Source other(PicturePlan.Source source) {
        if (source instanceof PicturePlan.Source.OfRender render) {
            return new FrameOrder.Source.OfMovie(named.movies().get(render.renderId()), render.frame());
        }
        return source instanceof PicturePlan.Source.OfWords words ? new FrameOrder.Source.OfWords(words.text())
                : new FrameOrder.Source.Black();
    }

    private FrameOrder.Source.OfSet set(PicturePlan.Source.OfCamera of) {
        Stage stage = of.filmed().stage();
        String key = keys.computeIfAbsent(stage, s -> {
            ShownSet shown = ShownSet.of(s, look.aids());
            String its = shown.key();
            sets.putIfAbsent(its, shown);
            return its;
        });
        Bake bake = bake(of.filmed(), of.position());
        List<FrameOrder.Moment> moments = new ArrayList<>();
        for (Rational position : moments(of.position(), of.step())) {
            Bake.CameraView seen = bake.seen(position);
            moments.add(new FrameOrder.Moment(seen.view(), seen.projection(), seen.moved(), look.blur(), seen.blur().focus(),
                    seen.blur().farCircle()));
        }
        return new FrameOrder.Source.OfSet(key, moments);
    }

    private Bake bake(FilmedShot filmed, Rational position) {
        return bakes.computeIfAbsent(filmed, f -> Bake.of(f.shot(), f.camera(), f.stage(), new RenderRange(position, Rational.ONE, 1),
                look.aspect()));
    }

    /** The moments that make a frame: evenly over the time that the shutter is open, which lies around the frame's own. */
    private List<Rational> moments(Rational position, Rational step) {
        if (look.shutter() == 0 || step.isZero()) {
            return List.of(position);
        }
        List<Rational> moments = new ArrayList<>();
        for (int i = 0; i < look.samples(); i++) {
            Rational share = Rational.of((2L * i + 1 - look.samples()) * look.shutter(), 2L * look.samples() * 360);
            moments.add(position.plus(step.times(share)));
        }
        return moments;
    }

    private List<FrameOrder.Line> lines(PicturePlan.Picture picture) {
        Map<BurnIn.Corner, String> corners = new LinkedHashMap<>();
        for (BurnIn burnt : recipe.burnIn()) {
            String text = text(burnt.field(), picture);
            if (!text.isEmpty()) {
                corners.merge(burnt.corner(), text, (a, b) -> a + "  " + b);
            }
        }
        return corners.entrySet().stream().map(e -> new FrameOrder.Line(e.getKey(), e.getValue())).toList();
    }

    private String text(BurnIn.Field field, PicturePlan.Picture picture) {
        PicturePlan.Facts facts = picture.facts();
        return switch (field) {
            case NAME -> facts.name();
            case SHOT -> facts.shot();
            case VERSION -> facts.name().substring(facts.name().lastIndexOf('_') + 1);
            case FRAME -> facts.frame() == null ? facts.shot() : (whole ? facts.shot() + "  " : "") + facts.frame();
            case TIMECODE -> facts.timecode();
            case LENS -> lens(picture);
            case SCENE -> scene(picture);
            case WHO -> named.who();
            case DATE -> named.day();
            case TEXT -> recipe.text();
        };
    }

    private static PicturePlan.Source.OfCamera filmed(PicturePlan.Picture picture) {
        List<PicturePlan.Layer> layers = picture.layers();
        return !layers.isEmpty() && layers.get(layers.size() - 1).source() instanceof PicturePlan.Source.OfCamera of ? of : null;
    }

    private String lens(PicturePlan.Picture picture) {
        PicturePlan.Source.OfCamera of = filmed(picture);
        return of == null || isInstead(of) ? "" : String.format(Locale.ROOT, "%.0f mm", bake(of.filmed(), of.position()).lensAt(of.position()));
    }

    private String scene(PicturePlan.Picture picture) {
        PicturePlan.Source.OfCamera of = filmed(picture);
        return of == null ? "" : named.scenes().getOrDefault(of.filmed().shot().id(), "");
    }
}
