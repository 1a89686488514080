// The largest circle that comes into each tile, from whichever tile it is in.
uniform highp sampler2D tiles;
uniform int tile;

out vec4 picture;

const int FARTHEST = 6; // tiles; no circle is larger

void main() {
  ivec2 here = ivec2(gl_FragCoord.xy);
  ivec2 last = textureSize(tiles, 0) - 1;
  float largest = 0.0;
  for (int y = -FARTHEST; y <= FARTHEST; y++) {
    for (int x = -FARTHEST; x <= FARTHEST; x++) {
      float radius = read(texelFetch(tiles, clamp(here + ivec2(x, y), ivec2(0), last), 0));
      vec2 gap = vec2(max(abs(vec2(x, y)) - 1.0, 0.0)) * float(tile);
      largest = max(largest, radius >= length(gap) ? radius : 0.0);
    }
  }
  picture = written(largest);
}
