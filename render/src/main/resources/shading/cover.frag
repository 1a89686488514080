// What covers the sky in a picture, as light: it is blurred as colours are.
uniform sampler2D drawn;

out vec4 picture;

void main() {
  picture = vec4(vec3(texelFetch(drawn, ivec2(gl_FragCoord.xy), 0).a), 1.0);
}
