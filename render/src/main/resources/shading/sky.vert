// One triangle over the whole picture, behind everything.
precision highp float;

uniform mat4 view;
uniform mat4 projection;
uniform float upright;

in vec3 position;

out vec3 direction;

void main() {
  vec3 ray = vec3(position.x / projection[0][0], position.y / projection[1][1], -1.0);
  direction = transpose(mat3(view)) * ray;
  gl_Position = vec4(position.x, position.y * upright, 0.99999, 1.0);
}
