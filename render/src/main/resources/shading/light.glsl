// Light, air and colour, shared by everything that is drawn. Worked in linear light, written as sRGB.
precision highp float;

const vec3 SUN = normalize(vec3(0.45, 0.72, 0.53));
const vec3 SUN_COLOUR = vec3(1.18, 1.08, 0.92);
const vec3 SKY_COLOUR = vec3(0.46, 0.54, 0.60);
const vec3 GROUND_COLOUR = vec3(0.20, 0.19, 0.17);
const vec3 HORIZON = vec3(0.47, 0.55, 0.58);
const vec3 ZENITH = vec3(0.25, 0.36, 0.44);
const float AIR = 260.0; // metres until two thirds of a thing are air

vec3 toLinear(vec3 c) {
  return mix(c / 12.92, pow((c + 0.055) / 1.055, vec3(2.4)), step(0.04045, c));
}

vec3 toScreen(vec3 c) {
  c = clamp(c, 0.0, 1.0);
  return mix(c * 12.92, 1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, step(0.0031308, c));
}

vec3 skyTowards(vec3 direction) {
  float up = clamp(direction.y, 0.0, 1.0);
  vec3 sky = mix(HORIZON, ZENITH, pow(up, 0.55));
  float towards = max(dot(direction, SUN), 0.0);
  float eighth = towards * towards * towards * towards * towards * towards * towards * towards;
  float glow = eighth * eighth * eighth;
  return sky + vec3(0.22, 0.19, 0.13) * glow;
}

vec3 throughAir(vec3 colour, float metres) {
  return mix(HORIZON, colour, exp(-metres / AIR));
}
