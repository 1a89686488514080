// A blurred picture whose sky is left out: the colour of what covers each point, as much as it covers. Blurring works on squares, all
// that follows in linear light.
uniform sampler2D drawn;
uniform sampler2D colours;

out vec4 picture;

void main() {
  ivec2 here = ivec2(gl_FragCoord.xy);
  float root = texelFetch(drawn, here, 0).r;
  vec3 colour = texelFetch(colours, here, 0).rgb / max(root, 1e-3);
  picture = vec4(toScreen(toLinear(min(colour, 1.0)) * root * root), root * root);
}
