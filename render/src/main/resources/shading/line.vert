// Ends of lines that stand in a set as an aid, in the camera's axes.
precision highp float;

uniform mat4 view;

in vec3 position;
in vec3 colour;

out vec3 ink;

void main() {
  ink = colour;
  vec3 seen = (view * vec4(position, 1.0)).xyz;
  // a little nearer along the line of sight: what lies on a plane is not half inside it
  gl_Position = vec4(seen * 0.997, 1.0);
}
