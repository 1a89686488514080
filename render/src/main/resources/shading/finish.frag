// What was laid together in linear light, as a screen shows it; where something is left out, what covers keeps its own colour.
uniform sampler2D sums;

out vec4 picture;

void main() {
  vec4 sum = texelFetch(sums, ivec2(gl_FragCoord.xy), 0);
  picture = vec4(toScreen(sum.rgb / max(sum.a, 1e-5)), min(sum.a, 1.0));
}
