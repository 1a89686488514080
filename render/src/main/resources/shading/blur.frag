// Every point of the picture spread over its circle. What is in front spreads over what is behind it, never the other way round.
uniform highp sampler2D colours;
uniform highp sampler2D tiles;
uniform int tile;

out vec4 picture;

const float GOLDEN = 2.39996323; // radians: points at this angle from each other fill a disc evenly
const float LEAST = 0.56; // radius of a disc as large as a pixel
const float MOST_POINTS = 128.0;

// light adds up, not what a screen is told: its square is near enough for a mean, and quick
vec3 lightAt(ivec2 pixel) {
  vec3 colour = texelFetch(colours, clamp(pixel, ivec2(0), textureSize(colours, 0) - 1), 0).rgb;
  return colour * colour;
}

float turned(vec2 pixel) {
  return fract(52.9829189 * fract(dot(pixel, vec2(0.06711056, 0.00583715)))) * 6.2831853;
}

void main() {
  ivec2 here = ivec2(gl_FragCoord.xy);
  gl_FragDepth = texelFetch(depths, here, 0).r;
  float reach = read(texelFetch(tiles, here / tile, 0));
  vec3 own = lightAt(here);
  if (reach < LEAST) {
    picture = vec4(sqrt(own), 1.0);
    return;
  }
  float away = metresAt(here);
  float radius = radiusAt(away);
  float points = clamp(3.1416 * reach * reach, 8.0, MOST_POINTS);
  float area = reach * reach / points; // of the picture that a point stands for, in circles of one pixel's radius
  vec4 behind = vec4(own, 1.0) * min(1.0, 0.3183 / max(radius * radius, 0.3183));
  vec4 before = vec4(0.0);
  float turn = turned(gl_FragCoord.xy);
  for (float i = 0.5; i < points; i += 1.0) {
    float far = reach * sqrt(i / points);
    float angle = turn + i * GOLDEN;
    ivec2 there = here + ivec2(round(vec2(cos(angle), sin(angle)) * far));
    float metres = metresAt(there);
    bool front = metres < away * 0.98;
    float circle = front ? radiusAt(metres) : min(radiusAt(metres), radius);
    float disc = max(circle, LEAST);
    float weight = clamp(disc - far + 0.5, 0.0, 1.0) * area / (disc * disc);
    vec4 light = vec4(lightAt(there), 1.0) * weight;
    before += front ? light : vec4(0.0);
    behind += front ? vec4(0.0) : light;
  }
  vec3 light = behind.rgb / max(behind.a, 1e-6);
  picture = vec4(sqrt(mix(light, before.rgb / max(before.a, 1e-6), clamp(before.a, 0.0, 1.0))), 1.0);
}
