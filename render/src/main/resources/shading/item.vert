// Items of the set. One source for renderer and browser; each puts its own #version line before it.

uniform mat4 view;
uniform mat4 projection;
uniform float upright; // 1, or -1 where rows are read from the top

in vec3 position;
in vec3 normal;
in vec3 colour;
in mat4 place; // of each of those that are drawn at once

out vec3 worldPlace;
out vec3 worldNormal;
out vec3 paint;

void main() {
  vec4 world = place * vec4(position, 1.0);
  worldPlace = world.xyz;
  mat3 turn = mat3(place);
  // columns of a scaled rotation, each divided by its squared length, turn normals rightly
  turn[0] /= max(dot(turn[0], turn[0]), 1e-9);
  turn[1] /= max(dot(turn[1], turn[1]), 1e-9);
  turn[2] /= max(dot(turn[2], turn[2]), 1e-9);
  worldNormal = turn * normal;
  paint = toLinear(colour); // at corners: a picture has many more points than a thing has corners
  gl_Position = projection * view * world;
  gl_Position.y *= upright;
}
