// Lines as strips that are equally thick however far away they are.
precision highp float;

layout(lines) in;
layout(triangle_strip, max_vertices = 4) out;

uniform mat4 projection;
uniform float upright;
uniform vec2 size;  // of the picture, pixels
uniform float wide; // of a line, pixels

in vec3 ink[];

out vec3 paint;
out float metres;

const float NEAREST = 0.05; // metres before the eye; what is nearer is cut off

void corner(vec3 seen, vec4 clip, vec2 aside, vec3 colour) {
  paint = colour;
  metres = length(seen);
  gl_Position = clip + vec4(aside * clip.w, 0.0, 0.0);
  EmitVertex();
}

void main() {
  vec3 a = gl_in[0].gl_Position.xyz;
  vec3 b = gl_in[1].gl_Position.xyz;
  if (a.z > -NEAREST && b.z > -NEAREST) {
    return;
  }
  if (a.z > -NEAREST) {
    a = mix(b, a, (-NEAREST - b.z) / (a.z - b.z));
  } else if (b.z > -NEAREST) {
    b = mix(a, b, (-NEAREST - a.z) / (b.z - a.z));
  }
  vec4 from = projection * vec4(a, 1.0);
  vec4 to = projection * vec4(b, 1.0);
  from.y *= upright;
  to.y *= upright;
  vec2 along = (to.xy / to.w - from.xy / from.w) * size;
  float pixels = length(along);
  vec2 aside = (pixels > 0.0 ? vec2(-along.y, along.x) / pixels : vec2(0.0, 1.0)) * wide / size;
  corner(a, from, aside, ink[0]);
  corner(a, from, -aside, ink[0]);
  corner(b, to, aside, ink[1]);
  corner(b, to, -aside, ink[1]);
  EndPrimitive();
}
