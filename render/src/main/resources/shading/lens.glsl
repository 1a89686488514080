// What of a picture is out of focus, from how far away it is. The circle of a point at d metres is farCircle * |d - focus| / d
// (thin lens, textbooks of photography).
uniform highp sampler2D depths;
uniform vec2 range; // nearest and farthest distance drawn, metres
uniform float focus; // metres
uniform float farCircle; // diameter of a point without end away, pixels
uniform float most; // radii end here, pixels

float metresAt(ivec2 pixel) {
  float depth = texelFetch(depths, clamp(pixel, ivec2(0), textureSize(depths, 0) - 1), 0).r;
  return 2.0 * range.x * range.y / (range.y + range.x - (depth * 2.0 - 1.0) * (range.y - range.x));
}

float radiusAt(float metres) {
  return min(0.5 * farCircle * abs(metres - focus) / metres, most);
}

// a radius in two bytes: pictures of floats cannot be drawn everywhere
vec4 written(float radius) {
  float share = clamp(radius / most, 0.0, 1.0) * 255.0;
  return vec4(floor(share) / 255.0, fract(share), 0.0, 1.0);
}

float read(vec4 radius) {
  return (radius.r * 255.0 + radius.g) / 255.0 * most;
}
