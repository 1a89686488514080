uniform vec3 eye;

in vec3 worldPlace;
in vec3 worldNormal;
in vec3 paint;

out vec4 picture;

void main() {
  vec3 n = normalize(worldNormal);
  vec3 away = worldPlace - eye;
  float sun = max(dot(n, SUN), 0.0);
  vec3 light = SUN_COLOUR * sun + mix(GROUND_COLOUR, SKY_COLOUR, 0.5 + 0.5 * n.y);
  vec3 lit = paint * light;
  picture = vec4(toScreen(throughAir(lit, length(away))), 1.0);
}
