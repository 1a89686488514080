// The largest circle in each tile of the picture.
uniform int tile; // pixels a side

out vec4 picture;

void main() {
  ivec2 from = ivec2(gl_FragCoord.xy) * tile;
  ivec2 to = min(from + tile, textureSize(depths, 0));
  float largest = 0.0;
  for (int y = from.y; y < to.y; y++) {
    for (int x = from.x; x < to.x; x++) {
      largest = max(largest, radiusAt(metresAt(ivec2(x, y))));
    }
  }
  picture = written(largest);
}
