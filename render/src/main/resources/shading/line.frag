in vec3 paint;
in float metres;

out vec4 picture;

const float FADES = 80.0; // metres until a line is a third as strong: far ones lie close and would be one plane

void main() {
  picture = vec4(paint, 0.8 * exp(-metres / FADES));
}
