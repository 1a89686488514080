package freshsplice.demo;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Mesh;
import freshsplice.core.time.Rational;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;

/** Draws the boards: the set seen from the boards' cameras, in wavering ink with a grey wash on paper. */
public final class DrawBoards {
    private static final int W = 960;
    private static final int H = 540;
    private static final Color PAPER = new Color(0xE9E4D8);
    private static final Color INK = new Color(0x25303A);

    /** A face on the paper: where its corners fall, how far it is, how dark its wash. */
    private record Face(double[][] corners, double distance, double tone) {
    }

    private final Random hand;
    private final Graphics2D g;
    private final BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_INT_RGB);

    private DrawBoards(int seed) {
        hand = new Random(seed);
        g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    }

    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        int seed = 1;
        for (LowWater.Shot shot : LowWater.shots()) {
            new DrawBoards(seed++).draw(shot, folder.resolve(shot.board() + ".png"));
        }
        new DrawBoards(seed).draw(new LowWater.Shot("gulls_rise", 44, new double[] {55, 1.4, 6},
                new double[] {58.5, 5.0, -4}, 30, 690, null), folder.resolve("gulls_rise.png"));
    }

    private void draw(LowWater.Shot shot, Path file) throws IOException {
        double[] turned = LowWater.look(shot.from(), shot.aim());
        CameraPose pose = CameraPose.standing(new CameraPose.Place(shot.from()[0], shot.from()[1], shot.from()[2], turned[0],
                turned[1], 0), shot.lens(), 5);
        g.setColor(PAPER);
        g.fillRect(0, 0, W, H);
        skyAndSea(pose);
        List<LowWater.Thing> things = new ArrayList<>(LowWater.set());
        things.removeIf(t -> t.name().equals("sea"));
        things.sort(Comparator.comparingDouble((LowWater.Thing t) -> layer(t, pose, shot.at())).reversed());
        for (LowWater.Thing thing : things) {
            Item item = DemoStage.item(thing);
            if (item.isShown(Rational.of(shot.at()))) {
                drawItem(item, pose, shot.at());
            }
        }
        extras(shot.board());
        vignette();
        ImageIO.write(image, "png", file.toFile());
    }

    /** Ground first, then the farthest. */
    private static double layer(LowWater.Thing thing, CameraPose pose, int frame) {
        boolean ground = thing.width() > 60;
        boolean kerb = thing.name().startsWith("kerb");
        Item item = DemoStage.item(thing);
        double[] at = pose.view().times(item.placedAt(Rational.of(frame))).apply(0, 0, 0);
        return (ground ? 10_000 : kerb ? 5_000 : 0) + Math.sqrt(at[0] * at[0] + at[1] * at[1] + at[2] * at[2]);
    }

    private double[] onPaper(Matrix clip, double x, double y, double z) {
        double[] p = clip.apply(x, y, z);
        return new double[] {(p[0] + 1) / 2 * W, (1 - p[1]) / 2 * H};
    }

    private void skyAndSea(CameraPose pose) {
        Matrix clip = pose.projection(FilmBack.SUPER_35, W / (double) H).times(pose.view());
        CameraPose.Place place = pose.place();
        double pan = Math.toRadians(place.pan());
        double[] far = onPaper(clip, place.x() - Math.sin(pan) * 2000, place.y(), place.z() - Math.cos(pan) * 2000);
        double horizon = far[1];
        g.setColor(new Color(0xD3D0C6));
        g.fillRect(0, (int) horizon, W, H);
        for (int i = 0; i < 26; i++) {
            double depth = hand.nextDouble();
            double y = horizon + 6 + depth * depth * (H - horizon);
            double x = hand.nextDouble() * W;
            double length = 14 + depth * 90;
            ripple(x, y, length);
        }
        ink(new double[] {-5, horizon}, new double[] {W + 5, horizon}, 1.8f);
        for (int i = 0; i < 3; i++) {
            cloud(hand.nextDouble() * W, horizon * (0.15 + 0.5 * hand.nextDouble()), 60 + hand.nextInt(90));
        }
    }

    private void ripple(double x, double y, double length) {
        g.setColor(new Color(0x25, 0x30, 0x3A, 120));
        g.setStroke(new BasicStroke(1.3f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        Path2D path = new Path2D.Double();
        path.moveTo(x, y);
        path.curveTo(x + length * 0.3, y - 4, x + length * 0.6, y + 4, x + length, y - 1);
        g.draw(path);
    }

    private void cloud(double x, double y, double size) {
        g.setColor(new Color(0x25, 0x30, 0x3A, 60));
        g.setStroke(new BasicStroke(1.4f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        Path2D path = new Path2D.Double();
        path.moveTo(x - size, y);
        for (int i = 0; i < 5; i++) {
            double x0 = x - size + i * size * 0.4;
            path.quadTo(x0 + size * 0.2, y - size * (0.12 + 0.16 * hand.nextDouble()), x0 + size * 0.4, y);
        }
        g.draw(path);
    }

    private void drawItem(Item item, CameraPose pose, int frame) {
        Matrix place = item.placedAt(Rational.of(frame));
        Matrix view = pose.view().times(place);
        Matrix projection = pose.projection(FilmBack.SUPER_35, W / (double) H);
        Mesh mesh = item.geometry().mesh();
        List<Face> faces = new ArrayList<>();
        int[] indices = mesh.indices();
        for (int t = 0; t < indices.length; ) {
            int first = indices[t];
            int end = t;
            List<Integer> corners = new ArrayList<>(List.of(indices[t], indices[t + 1]));
            while (end < indices.length && indices[end] == first) {
                corners.add(indices[end + 2]);
                end += 3;
            }
            t = end;
            Face face = face(mesh, corners, view, projection);
            if (face != null) {
                faces.add(face);
            }
        }
        faces.sort(Comparator.comparingDouble(Face::distance).reversed());
        faces.forEach(f -> drawFace(f, faces.size() > 120));
    }

    private Face face(Mesh mesh, List<Integer> corners, Matrix view, Matrix projection) {
        List<double[]> seen = new ArrayList<>();
        double distance = 0;
        double tone = 0;
        for (int corner : corners) {
            float[] p = mesh.positions();
            double[] at = view.apply(p[corner * 3], p[corner * 3 + 1], p[corner * 3 + 2]);
            seen.add(at);
            distance += Math.sqrt(at[0] * at[0] + at[1] * at[1] + at[2] * at[2]) / corners.size();
            float[] c = mesh.colours();
            tone += (0.3 * c[corner * 3] + 0.6 * c[corner * 3 + 1] + 0.1 * c[corner * 3 + 2]) / corners.size();
        }
        seen = before(seen);
        if (seen.size() < 3) {
            return null;
        }
        double[][] paper = seen.stream().map(p -> onPaper(projection, p[0], p[1], p[2])).toArray(double[][]::new);
        double area = 0;
        for (int i = 0; i < paper.length; i++) {
            double[] a = paper[i];
            double[] b = paper[(i + 1) % paper.length];
            area += a[0] * b[1] - b[0] * a[1];
        }
        // counter-clockwise in the world is clockwise on paper, whose y runs down
        float up = mesh.normals()[corners.get(0) * 3 + 1];
        float side = mesh.normals()[corners.get(0) * 3 + 2];
        return area >= 0 ? null : new Face(paper, distance, tone * (0.72 + 0.22 * up + 0.1 * side));
    }

    /** What of a face lies before the camera. */
    private static List<double[]> before(List<double[]> corners) {
        List<double[]> kept = new ArrayList<>();
        double near = -0.1;
        for (int i = 0; i < corners.size(); i++) {
            double[] a = corners.get(i);
            double[] b = corners.get((i + 1) % corners.size());
            if (a[2] <= near) {
                kept.add(a);
            }
            if (a[2] <= near != b[2] <= near) {
                double t = (near - a[2]) / (b[2] - a[2]);
                kept.add(new double[] {a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, near});
            }
        }
        return kept;
    }

    private void drawFace(Face face, boolean fine) {
        Path2D shape = new Path2D.Double();
        for (int i = 0; i < face.corners().length; i++) {
            double[] p = face.corners()[i];
            if (i == 0) {
                shape.moveTo(p[0], p[1]);
            } else {
                shape.lineTo(p[0], p[1]);
            }
        }
        shape.closePath();
        int step = (int) Math.max(0, Math.min(4, Math.round(face.tone() * 4.4)));
        int[] wash = {0x4A4F52, 0x8C8F8C, 0xB7B5AD, 0xD6D2C7, 0xE9E4D8};
        g.setColor(new Color(wash[step]));
        g.fill(shape);
        float width = (float) Math.max(0.5, Math.min(2.4, 9 / Math.sqrt(face.distance() + 3)));
        for (int i = 0; i < face.corners().length; i++) {
            ink(face.corners()[i], face.corners()[(i + 1) % face.corners().length], fine ? width * 0.6f : width);
        }
    }

    /** A line as a hand draws it: bowed a little, overshooting a little. */
    private void ink(double[] a, double[] b, float width) {
        double length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        double waver = Math.min(2.2, length * 0.012);
        g.setColor(INK);
        g.setStroke(new BasicStroke(width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        Path2D path = new Path2D.Double();
        path.moveTo(a[0] + off(waver), a[1] + off(waver));
        path.quadTo((a[0] + b[0]) / 2 + off(waver * 1.6), (a[1] + b[1]) / 2 + off(waver * 1.6), b[0] + off(waver),
                b[1] + off(waver));
        g.draw(path);
    }

    private double off(double by) {
        return (hand.nextDouble() - 0.5) * 2 * by;
    }

    private void extras(String board) {
        switch (board) {
            case "clock" -> clock(W * 0.47, H * 0.44, 150);
            case "gate_open" -> arrow(W * 0.52, H * 0.88, W * 0.74, H * 0.93);
            case "causeway_wide" -> arrow(W * 0.40, H * 0.90, W * 0.62, H * 0.78);
            case "bicycle_wide" -> arrow(W * 0.70, H * 0.90, W * 0.90, H * 0.90);
            case "wave_over_road" -> wave();
            case "run_at_gate" -> arrow(W * 0.34, H * 0.90, W * 0.16, H * 0.92);
            case "gulls", "gulls_rise" -> arrow(W * 0.70, H * 0.5, W * 0.82, H * 0.24);
            case "lighthouse" -> rays(W * 0.55, H * 0.2);
            default -> { }
        }
    }

    private void arrow(double x0, double y0, double x1, double y1) {
        double angle = Math.atan2(y1 - y0, x1 - x0);
        ink(new double[] {x0, y0}, new double[] {x1, y1}, 5);
        for (int side = -1; side <= 1; side += 2) {
            ink(new double[] {x1, y1}, new double[] {x1 - 26 * Math.cos(angle + side * 0.5),
                y1 - 26 * Math.sin(angle + side * 0.5)}, 5);
        }
    }

    private void clock(double x, double y, double r) {
        g.setColor(PAPER);
        g.fill(new Ellipse2D.Double(x - r, y - r, 2 * r, 2 * r));
        g.setColor(INK);
        for (int k = 0; k < 2; k++) {
            g.setStroke(new BasicStroke(k == 0 ? 7 : 2.5f));
            double q = r - k * 16;
            g.draw(new Ellipse2D.Double(x - q + off(2), y - q + off(2), 2 * q, 2 * q));
        }
        for (int i = 0; i < 12; i++) {
            double a = Math.PI * i / 6;
            double inner = i % 3 == 0 ? 0.68 : 0.78;
            ink(new double[] {x + r * inner * Math.sin(a), y - r * inner * Math.cos(a)},
                    new double[] {x + r * 0.85 * Math.sin(a), y - r * 0.85 * Math.cos(a)}, i % 3 == 0 ? 5 : 2.5f);
        }
        ink(new double[] {x, y}, new double[] {x + r * 0.34, y - r * 0.32}, 8);
        ink(new double[] {x, y}, new double[] {x - r * 0.12, y - r * 0.66}, 5);
    }

    private void wave() {
        for (int row = 0; row < 3; row++) {
            Path2D crest = new Path2D.Double();
            double y = H * (0.62 + row * 0.1);
            crest.moveTo(-20, y + 40);
            for (int i = 0; i < 9; i++) {
                double x = i * W / 8.0;
                crest.curveTo(x + 20, y - 26 - off(12), x + 80, y - 34 - off(12), x + 104, y + 8);
                crest.curveTo(x + 84, y - 6, x + 74, y + 16, x + W / 8.0, y + 18);
            }
            g.setColor(new Color(0xE9, 0xE4, 0xD8, 190));
            Path2D body = new Path2D.Double(crest);
            body.lineTo(W + 20, y + 60);
            body.lineTo(-20, y + 60);
            g.fill(body);
            g.setColor(INK);
            g.setStroke(new BasicStroke(2.4f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            g.draw(crest);
        }
        for (int i = 0; i < 40; i++) {
            double x = hand.nextDouble() * W;
            double y = H * (0.45 + 0.25 * hand.nextDouble());
            g.draw(new Ellipse2D.Double(x, y, 2 + hand.nextInt(5), 2 + hand.nextInt(5)));
        }
    }

    private void rays(double x, double y) {
        for (int i = 0; i < 9; i++) {
            double a = Math.PI * 2 * i / 9 + 0.2;
            ink(new double[] {x + 60 * Math.cos(a), y + 34 * Math.sin(a)},
                    new double[] {x + 130 * Math.cos(a), y + 74 * Math.sin(a)}, 2);
        }
    }

    private void vignette() {
        g.setColor(INK);
        g.setStroke(new BasicStroke(3));
        g.drawRect(1, 1, W - 3, H - 3);
    }
}
