// The formulas of core/picture for a graphics processor. Pictures are whole numbers here too (four of 8 bits a pixel), so
// that a key and a mix come out to the code as the kernels make them; row 0 is the topmost.

/** One triangle over all of the frame. */
export const VERTEX = `#version 300 es
void main() {
  gl_Position = vec4(vec2((gl_VertexID << 1) & 2, gl_VertexID & 2) * 2.0 - 1.0, 0.0, 1.0);
}`

const HEAD = `#version 300 es
precision highp float;
precision highp int;
precision highp usampler2D;
precision highp isampler2D;
uniform usampler2D one;
uniform usampler2D two;
uniform usampler2D three;
`
const WHOLE = `${HEAD}out uvec4 made;
ivec2 here() { return ivec2(gl_FragCoord.xy); }
uvec4 solid(uvec3 colour) { return uvec4(min(colour, uvec3(255)), 255); }
uvec4 rounded(vec3 colour) { return solid(uvec3(floor(clamp(colour, 0.0, 255.0) + 0.5))); }
`

/** (one (256 - more) + two more + 128) >> 8. */
const MIX = `${WHOLE}uniform uint more;
void main() {
  made = solid((texelFetch(one, here(), 0).rgb * (256u - more) + texelFetch(two, here(), 0).rgb * more + 128u) >> 8);
}`

/** two over one by the brightness of three; weights of 1/65536 by code, \`part\` below 0 for a straight fill. */
const KEY = `${WHOLE}uniform usampler2D table;
uniform uvec3 luma;
uniform int part;
void main() {
  uvec3 cut = texelFetch(three, here(), 0).rgb * luma;
  uint a = texelFetch(table, ivec2((cut.r + cut.g + cut.b + 32768u) >> 16, 0), 0).r;
  uint weight = part < 0 ? a : uint(part);
  made = solid(
    (texelFetch(two, here(), 0).rgb * weight + texelFetch(one, here(), 0).rgb * (65536u - a) + 32768u) >> 16
  );
}`

/** Two neighbours of a row share their colour differences. */
const PAIR = `${WHOLE}ivec3 at(int x) { return ivec3(texelFetch(one, ivec2(x, here().y), 0).rgb); }
ivec2 apart(ivec3 c) {
  int y = 13933 * c.r + 46871 * c.g + 4732 * c.b;
  return ivec2((c.r << 16) - y, (c.b << 16) - y);
}
void main() {
  ivec3 mine = at(here().x);
  int beside = here().x ^ 1;
  ivec3 theirs = beside < textureSize(one, 0).x ? at(beside) : mine;
  ivec2 d = (apart(theirs) - apart(mine)) >> 9;
  int g = -((d.x * 19481 + d.y * 6616) >> 16);
  made = uvec4(clamp((mine * 256 + ivec3(d.x, g, d.y) + 128) >> 8, ivec3(0), ivec3(255)), 255);
}`

/** A key by colour: hue the screen's unit vector, then tolerance, edge and spill. */
const CHROMA = `${WHOLE}uniform vec2 hue;
uniform vec3 amounts;
uniform float share;
void main() {
  vec3 c = vec3(texelFetch(two, here(), 0).rgb) / 255.0;
  vec3 under = vec3(texelFetch(one, here(), 0).rgb);
  float y = 0.2126 * c.r + 0.7152 * c.g + 0.0722 * c.b;
  vec2 d = vec2((c.b - y) / 1.8556, (c.r - y) / 1.5748);
  float shine = dot(d, hue) - abs(d.x * hue.y - d.y * hue.x);
  float a = share * (1.0 - clamp((shine - amounts.x) / amounts.y, 0.0, 1.0));
  d -= amounts.z * max(0.0, shine) * hue;
  float red = y + 1.5748 * d.y;
  float blue = y + 1.8556 * d.x;
  vec3 left = vec3(red, (y - 0.2126 * red - 0.0722 * blue) / 0.7152, blue);
  made = rounded(a * clamp(left, 0.0, 1.0) * 255.0 + (1.0 - a) * under);
}`

/** clamp((s (1 + w) - d) / w, 0, 1), with w, d and the width in pixels. */
const WIPE = `${WHOLE}uniform float share;
uniform float edge;
void main() {
  float a = clamp((share * (float(textureSize(one, 0).x) + edge) - gl_FragCoord.x) / edge, 0.0, 1.0);
  made = rounded(a * vec3(texelFetch(two, here(), 0).rgb) + (1.0 - a) * vec3(texelFetch(one, here(), 0).rgb));
}`

/** two over one in the stretch of each row that \`rows\` has. */
const MASK = `${WHOLE}uniform isampler2D rows;
void main() {
  ivec2 stretch = texelFetch(rows, ivec2(here().y, 0), 0).rg;
  bool inside = here().x >= stretch.x && here().x < stretch.y;
  made = inside ? texelFetch(two, here(), 0) : texelFetch(one, here(), 0);
}`

/** two, whose first pixel stands at \`first\`, over one by the area that its edges (left, top, right, bottom) cover. */
const BOX = `${WHOLE}uniform vec4 edges;
uniform ivec2 first;
void main() {
  vec2 low = vec2(here());
  vec2 covered = max(vec2(0), min(low + 1.0, edges.zw) - max(low, edges.xy));
  float a = covered.x * covered.y;
  uvec4 under = texelFetch(one, here(), 0);
  if (a == 0.0) {
    made = under;
    return;
  }
  ivec2 at = clamp(here() - first, ivec2(0), textureSize(two, 0) - 1);
  made = rounded(a * vec3(texelFetch(two, at, 0).rgb) + (1.0 - a) * vec3(under.rgb));
}`

/** Another size: a tent of radius max(1, 1/scale) source pixels, normalised, the edge pixel repeated. */
const SCALE = `${WHOLE}uniform vec2 size;
void main() {
  vec2 from = vec2(textureSize(one, 0));
  vec2 scale = size / from;
  vec2 radius = max(vec2(1), 1.0 / scale);
  vec2 centre = gl_FragCoord.xy / scale - 0.5;
  ivec2 low = ivec2(ceil(centre - radius));
  ivec2 high = ivec2(floor(centre + radius));
  vec3 sum = vec3(0);
  float all = 0.0;
  for (int y = low.y; y <= high.y; y++)
    for (int x = low.x; x <= high.x; x++) {
      vec2 weights = max(vec2(0), 1.0 - abs(vec2(x, y) - centre) / radius);
      float w = weights.x * weights.y;
      all += w;
      sum += w * vec3(texelFetch(one, clamp(ivec2(x, y), ivec2(0), ivec2(from) - 1), 0).rgb);
    }
  made = rounded(sum / all);
}`

/** two where it has been drawn into, else one. */
const SHEET = `${WHOLE}void main() {
  uvec4 drawn = texelFetch(two, here(), 0);
  made = drawn.a > 0u ? drawn : texelFetch(one, here(), 0);
}`

/** To the screen, whose rows count from below. */
const SHOW = `${HEAD}out vec4 shown;
void main() {
  ivec2 at = ivec2(gl_FragCoord.xy);
  shown = vec4(texelFetch(one, ivec2(at.x, textureSize(one, 0).y - 1 - at.y), 0)) / 255.0;
}`

export const SHADERS = {
  mix: MIX,
  key: KEY,
  pair: PAIR,
  chroma: CHROMA,
  wipe: WIPE,
  mask: MASK,
  box: BOX,
  scale: SCALE,
  sheet: SHEET,
  show: SHOW,
} as const
