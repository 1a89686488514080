// A picture of any size brought to another, in linear light: each pixel is the mean of what lies under it.
uniform sampler2D drawn;
uniform vec2 ratio; // pixels of the drawn picture to one of this
uniform float share;

out vec4 picture;

void main() {
  vec2 size = vec2(textureSize(drawn, 0));
  vec2 from = (gl_FragCoord.xy - 0.5) * ratio;
  if (ratio.x < 1.0) {
    vec4 between = texture(drawn, gl_FragCoord.xy * ratio / size);
    picture = vec4(toLinear(between.rgb), between.a) * share;
    return;
  }
  vec2 to = from + ratio;
  vec4 sum = vec4(0.0);
  float area = 0.0;
  for (float y = floor(from.y); y < to.y; y += 1.0) {
    for (float x = floor(from.x); x < to.x; x += 1.0) {
      vec2 inside = min(to, vec2(x, y) + 1.0) - max(from, vec2(x, y));
      float under = max(inside.x, 0.0) * max(inside.y, 0.0);
      vec4 one = texelFetch(drawn, clamp(ivec2(int(x), int(y)), ivec2(0), ivec2(size) - 1), 0);
      sum += vec4(toLinear(one.rgb), one.a) * under;
      area += under;
    }
  }
  picture = sum / area * share;
}
