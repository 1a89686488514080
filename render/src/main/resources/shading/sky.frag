in vec3 direction;

out vec4 picture;

void main() {
  picture = vec4(toScreen(skyTowards(normalize(direction))), 1.0);
}
