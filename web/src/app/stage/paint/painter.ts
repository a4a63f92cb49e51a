import {
  clearance,
  colourNames,
  colourValues,
  cornerSize,
  depthOf,
  fading,
  fadingLayers,
  layerNames,
  leastBefore,
  strokeAt,
  strokeSize,
  viewAxes,
  type Drawing,
} from '@hashira/core';
import type { Sheet, SheetPainter } from '../types';

/** Strokes in a row of their texture. */
const perRow = 341;
const texelsOfStroke = strokeSize / 4;

const common = `#version 300 es
precision highp float;
uniform vec3 right, up, centre;
uniform vec2 sheet;
uniform float perMetre;
uniform vec4 scales;
uniform vec3 colours[${colourNames.length}];
// What a stroke keeps free of strokes behind it, px, and how much farther than itself that reaches
uniform vec2 behind;
// Towards the reader; where the farthest is along it, how much nearer the nearest, and whether far parts are fainter
uniform vec3 towards;
uniform vec3 depth;
vec2 onSheet(vec3 p) {
  vec3 d = p - centre;
  return vec2(dot(d, right), -dot(d, up)) * perMetre + sheet * 0.5;
}
float factorOf(float scale) { return scales[int(scale + 0.5)]; }
vec2 directionOf(vec2 p, vec2 q) {
  vec2 d = q - p;
  float l = length(d);
  return l < 1e-4 ? vec2(1.0, 0.0) : d / l;
}
vec4 toClip(vec2 p) { return vec4(p.x / sheet.x * 2.0 - 1.0, 1.0 - p.y / sheet.y * 2.0, 0.0, 1.0); }
// From −0.9 of what is nearest to 0.9 of what is farthest; between two cut planes with room for what is kept free
float farness(vec3 p) { return depth.z > 0.5 ? 0.9 - 1.8 * (dot(p, towards) - depth.x) / depth.y : 0.0; }
`;

const ofStrokes = `${common}
// One stroke is six texels; its four corners are told apart by the number of the vertex, because drawing by instances is slow without
// a graphics card
uniform highp sampler2D strokes;
out vec2 across;
out vec4 ink;
vec4 texel(int stroke, int k) { return texelFetch(strokes, ivec2(stroke % ${perRow} * 6 + k, stroke / ${perRow}), 0); }
int strokeOfVertex() { return gl_VertexID >> 2; }
vec2 cornerOfVertex() { return vec2(float(gl_VertexID & 1), float(gl_VertexID >> 1 & 1)); }
`;

const strokeShader = `${ofStrokes}
void main() {
  int stroke = strokeOfVertex();
  vec2 corner = cornerOfVertex();
  vec4 t0 = texel(stroke, 0), t1 = texel(stroke, 1), t2 = texel(stroke, 2);
  vec4 offsets = texel(stroke, 3), style = texel(stroke, 4);
  vec3 a = t0.xyz, da = vec3(t0.w, t1.xy), b = vec3(t1.zw, t2.x), db = t2.yzw;
  float f = factorOf(texel(stroke, 5).x);
  vec2 pa = onSheet(a + da * f);
  vec2 pb = onSheet(b + db * f);
  vec2 p = pa + offsets.xy;
  vec2 q = pb + offsets.zw;
  if (style.w > 0.5) {
    vec2 d = directionOf(pa, pb);
    vec2 n = vec2(-d.y, d.x);
    p = pa + (d * offsets.x + n * offsets.y);
    q = pa + (d * offsets.z + n * offsets.w);
  }
  float l = length(q - p);
  vec2 t = l < 1e-4 ? vec2(1.0, 0.0) : (q - p) / l;
  vec2 n = vec2(-t.y, t.x);
  float nearness = depth.z > 0.5 ? clamp((dot((a + b) * 0.5, towards) - depth.x) / depth.y, 0.0, 1.0) : 1.0;
  float thinned = depth.z > 0.5 ? mix(${fading.thin.toFixed(3)}, ${fading.wide.toFixed(3)}, nearness) : 1.0;
  float wide = max(style.x * thinned, 0.9);
  float half_ = wide * 0.5 + behind.x;
  // One pixel more on each side carries the smooth edge
  float reach = half_ + 1.0;
  float over = wide > 2.0 && behind.x == 0.0 ? half_ : 0.0;
  vec2 at = mix(p, q, corner.x) + t * (corner.x * 2.0 - 1.0) * over + n * (corner.y * 2.0 - 1.0) * reach;
  if (l < 1e-3 && style.w < 0.5 && offsets == vec4(0.0)) at = p;
  across = vec2((corner.y * 2.0 - 1.0) * reach, half_);
  ink = vec4(colours[int(style.y + 0.5)], style.z * mix(${fading.alpha.toFixed(3)}, 1.0, nearness));
  gl_Position = toClip(at);
  gl_Position.z = clamp(mix(farness(a), farness(b), corner.x) + behind.y, -1.0, 1.0);
}`;

// The area between a stroke and where it would be without its displacements
const fillShader = `${ofStrokes}
void main() {
  int stroke = strokeOfVertex();
  vec2 corner = cornerOfVertex();
  vec4 t0 = texel(stroke, 0), t1 = texel(stroke, 1), t2 = texel(stroke, 2), last = texel(stroke, 5);
  vec3 p = mix(t0.xyz, vec3(t1.zw, t2.x), corner.x);
  vec3 dp = mix(vec3(t0.w, t1.xy), t2.yzw, corner.x);
  across = vec2(0.0, 2.0);
  ink = vec4(colours[int(texel(stroke, 4).y + 0.5)], last.y);
  gl_Position = toClip(last.y > 0.0 ? onSheet(p + dp * factorOf(last.x) * corner.y) : vec2(0.0));
}`;

const cornerShader = `${common}
layout(location = 0) in vec3 p;
layout(location = 1) in vec3 dp;
layout(location = 2) in vec3 q;
layout(location = 3) in vec2 offset;
layout(location = 4) in vec4 style;
out vec2 across;
out vec4 ink;
void main() {
  vec2 at = onSheet(p + dp * factorOf(style.w));
  if (style.z > 0.5) {
    vec2 d = directionOf(onSheet(p), onSheet(q));
    at += (d * offset.x + vec2(-d.y, d.x) * offset.y);
  } else at += offset;
  across = vec2(0.0, 2.0);
  ink = vec4(colours[int(style.x + 0.5)], style.y);
  gl_Position = toClip(at);
}`;

// Coverage falls from 1 to 0 over the pixel at a line's edge
const fragmentShader = `#version 300 es
precision highp float;
in vec2 across;
in vec4 ink;
out vec4 colour;
void main() { colour = vec4(ink.rgb, ink.a * clamp(across.y + 0.5 - abs(across.x), 0.0, 1.0)); }`;

const tints = new Float32Array(
  colourNames.flatMap((name) => {
    const value = parseInt(colourValues[name].slice(1), 16);
    return [(value >> 16) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255];
  }),
);

/** Names by which those that paint without a graphics card are told. */
const softwareRenderers = /swiftshader|llvmpipe|softpipe|software|basic render/i;

const twoTriangles = [0, 1, 2, 2, 1, 3];

/** A drawing on the graphics card. */
interface Uploaded {
  readonly strokes: WebGLTexture;
  readonly corners: WebGLBuffer;
  /** Whether strokes of a layer have areas. */
  readonly filled: readonly boolean[];
}

/** Paints drawings in one WebGL 2 context: the camera and all scales are uniforms, so that turning and zooming upload nothing. */
export class Painter implements SheetPainter {
  private readonly strokeProgram: WebGLProgram;
  private readonly fillProgram: WebGLProgram;
  private readonly cornerProgram: WebGLProgram;
  private readonly places = new Map<WebGLProgram, Map<string, WebGLUniformLocation | null>>();
  private uploaded = new Map<Drawing, Uploaded>();
  /** Corners of the two triangles of each stroke. */
  private readonly indices: WebGLBuffer;
  private indexed = 0;

  /** Whether this browser has a graphics card behind WebGL 2: painting by WebGL without one is slower than painting flat. */
  static isAccelerated(): boolean {
    const gl = document.createElement('canvas').getContext('webgl2', { failIfMajorPerformanceCaveat: true });
    const info = gl?.getExtension('WEBGL_debug_renderer_info');
    const renderer = String(info ? gl!.getParameter(info.UNMASKED_RENDERER_WEBGL) : '');
    gl?.getExtension('WEBGL_lose_context')?.loseContext();
    return gl !== null && !softwareRenderers.test(renderer);
  }

  /** A painter on a canvas; undefined where the browser gives no WebGL 2. */
  static on(canvas: HTMLCanvasElement): Painter | undefined {
    const gl = canvas.getContext('webgl2', { alpha: false, antialias: false, depth: true });
    return gl ? new Painter(canvas, gl) : undefined;
  }

  private constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly gl: WebGL2RenderingContext,
  ) {
    this.strokeProgram = this.program(strokeShader);
    this.fillProgram = this.program(fillShader);
    this.cornerProgram = this.program(cornerShader);
    this.indices = gl.createBuffer();
  }

  /** Paints a sheet over the whole canvas. */
  paint(sheet: Sheet, pixelRatio: number): void {
    const { gl } = this;
    const { width, height } = sheet.size;
    const [w, h] = [Math.round(width * pixelRatio), Math.round(height * pixelRatio)];
    if (this.canvas.width !== w || this.canvas.height !== h) {
      this.canvas.width = w;
      this.canvas.height = h;
    }
    const [r, g, b] = tints.subarray(3 * colourNames.indexOf('sheet'));
    gl.clearColor(r!, g!, b!, 1);
    gl.viewport(0, 0, w, h);
    gl.clear(gl.COLOR_BUFFER_BIT);
    gl.enable(gl.BLEND);
    gl.blendFuncSeparate(gl.SRC_ALPHA, gl.ONE_MINUS_SRC_ALPHA, gl.ONE, gl.ONE_MINUS_SRC_ALPHA);
    this.forget(new Set([sheet.scene.drawing]));
    this.paintLayers(sheet);
  }

  private paintLayers(sheet: Sheet): void {
    const { gl } = this;
    const { drawing } = sheet.scene;
    const { strokes, corners, filled } = this.upload(drawing);
    for (const program of [this.cornerProgram, this.fillProgram, this.strokeProgram])
      this.setUniforms(program, sheet);
    layerNames.forEach((layer, k) => {
      if (!sheet.layers.includes(layer)) return;
      const [c0, c1] = drawing.cornerRanges[k]!;
      if (c1 > c0) {
        gl.useProgram(this.cornerProgram);
        this.attributes(corners, [3, 3, 3, 2, 4]);
        gl.drawArrays(gl.TRIANGLES, c0, c1 - c0);
      }
      const [s0, s1] = drawing.strokeRanges[k]!;
      if (s1 === s0) return;
      this.attributes(null, []);
      gl.bindTexture(gl.TEXTURE_2D, strokes);
      gl.bindBuffer(gl.ELEMENT_ARRAY_BUFFER, this.indicesOf(s1));
      for (const program of filled[k] ? [this.fillProgram, this.strokeProgram] : [this.strokeProgram]) {
        gl.useProgram(program);
        const isDeep = program === this.strokeProgram && this.setDepth(sheet, fadingLayers.has(layer));
        if (isDeep && layer === 'members') this.strokesBefore(s0, s1);
        else this.elements(s0, s1);
      }
    });
  }

  private elements(from: number, to: number): void {
    const { gl } = this;
    const start = 6 * from * Uint32Array.BYTES_PER_ELEMENT;
    gl.drawElements(gl.TRIANGLES, 6 * (to - from), gl.UNSIGNED_INT, start);
  }

  /** Strokes that are interrupted where nearer ones pass before them: what these keep free is told to the depth buffer first. */
  private strokesBefore(from: number, to: number): void {
    const { gl } = this;
    const behind = this.place(this.strokeProgram, 'behind');
    gl.enable(gl.DEPTH_TEST);
    gl.clear(gl.DEPTH_BUFFER_BIT);
    gl.colorMask(false, false, false, false);
    // Less than this nearer is a joint
    gl.uniform2f(behind, clearance, 1.8 * leastBefore);
    this.elements(from, to);
    gl.colorMask(true, true, true, true);
    gl.depthMask(false);
    gl.uniform2f(behind, 0, 0);
    this.elements(from, to);
    gl.depthMask(true);
    gl.disable(gl.DEPTH_TEST);
  }

  private setUniforms(program: WebGLProgram, { view, size, scales, phase }: Sheet): void {
    const { gl } = this;
    gl.useProgram(program);
    const place = (name: string) => this.place(program, name);
    const { right, up } = viewAxes(view);
    gl.uniform3fv(place('right'), right as unknown as number[]);
    gl.uniform3fv(place('up'), up as unknown as number[]);
    gl.uniform3fv(place('centre'), view.centre as unknown as number[]);
    gl.uniform2f(place('sheet'), size.width, size.height);
    gl.uniform1f(place('perMetre'), view.scale);
    gl.uniform4f(place('scales'), 0, scales.diagram, scales.deformation * phase, scales.load);
    gl.uniform3fv(place('colours'), tints);
  }

  /** @returns whether far strokes of the layer are fainter */
  private setDepth({ scene, view, thumbnail }: Sheet, fades: boolean): boolean {
    const { gl } = this;
    const { towards, near, far } = depthOf(scene.points, view);
    const isSolid = scene.space === 'solid' && (thumbnail || !scene.slice);
    const isDeep = fades && isSolid && near - far > 1e-6;
    gl.uniform3fv(this.place(this.strokeProgram, 'towards'), towards as unknown as number[]);
    gl.uniform3f(this.place(this.strokeProgram, 'depth'), far, isDeep ? near - far : 1, isDeep ? 1 : 0);
    return isDeep;
  }

  private place(program: WebGLProgram, name: string): WebGLUniformLocation | null {
    const places = this.places.get(program) ?? new Map<string, WebGLUniformLocation | null>();
    this.places.set(program, places);
    if (!places.has(name)) places.set(name, this.gl.getUniformLocation(program, name));
    return places.get(name)!;
  }

  private attributes(buffer: WebGLBuffer | null, sizes: readonly number[]): void {
    const { gl } = this;
    gl.bindBuffer(gl.ARRAY_BUFFER, buffer);
    let at = 0;
    for (let i = 0; i < 5; i++) {
      const size = sizes[i];
      if (size === undefined) {
        gl.disableVertexAttribArray(i);
        continue;
      }
      gl.enableVertexAttribArray(i);
      gl.vertexAttribPointer(i, size, gl.FLOAT, false, cornerSize * 4, at);
      at += size * 4;
    }
  }

  /** Two triangles share an edge, whose ends are worked out once. */
  private indicesOf(strokes: number): WebGLBuffer {
    const { gl } = this;
    if (strokes > this.indexed) {
      this.indexed = Math.max(strokes, 2 * this.indexed, 1024);
      const list = Uint32Array.from(
        { length: 6 * this.indexed },
        (_, i) => 4 * Math.floor(i / 6) + twoTriangles[i % 6]!,
      );
      gl.bindBuffer(gl.ELEMENT_ARRAY_BUFFER, this.indices);
      gl.bufferData(gl.ELEMENT_ARRAY_BUFFER, list, gl.STATIC_DRAW);
    }
    return this.indices;
  }

  private upload(drawing: Drawing): Uploaded {
    const known = this.uploaded.get(drawing);
    if (known) return known;
    const { gl } = this;
    const corners = gl.createBuffer();
    gl.bindBuffer(gl.ARRAY_BUFFER, corners);
    gl.bufferData(gl.ARRAY_BUFFER, drawing.corners, gl.STATIC_DRAW);
    const filled = drawing.strokeRanges.map(([from, to]) => hasAreas(drawing.strokes, from, to));
    const made = { strokes: this.texture(drawing.strokes), corners, filled };
    this.uploaded.set(drawing, made);
    return made;
  }

  /** Strokes as texels, row by row. */
  private texture(strokes: Float32Array): WebGLTexture {
    const { gl } = this;
    const width = perRow * texelsOfStroke;
    const height = Math.max(1, Math.ceil(strokes.length / (perRow * strokeSize)));
    const texels = new Float32Array(4 * width * height);
    texels.set(strokes);
    const texture = gl.createTexture();
    gl.bindTexture(gl.TEXTURE_2D, texture);
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA32F, width, height, 0, gl.RGBA, gl.FLOAT, texels);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.NEAREST);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.NEAREST);
    return texture;
  }

  /** Frees drawings that are no longer painted. */
  private forget(used: ReadonlySet<Drawing>): void {
    const kept = new Map<Drawing, Uploaded>();
    for (const [drawing, buffers] of this.uploaded)
      if (used.has(drawing)) kept.set(drawing, buffers);
      else {
        this.gl.deleteTexture(buffers.strokes);
        this.gl.deleteBuffer(buffers.corners);
      }
    this.uploaded = kept;
  }

  private program(vertex: string): WebGLProgram {
    const { gl } = this;
    const program = gl.createProgram();
    for (const [kind, source] of [
      [gl.VERTEX_SHADER, vertex],
      [gl.FRAGMENT_SHADER, fragmentShader],
    ] as const) {
      const shader = gl.createShader(kind)!;
      gl.shaderSource(shader, source);
      gl.compileShader(shader);
      gl.attachShader(program, shader);
    }
    gl.linkProgram(program);
    if (!gl.getProgramParameter(program, gl.LINK_STATUS) && !gl.isContextLost())
      throw new Error(
        `The drawing program does not fit this graphics card: ${gl.getProgramInfoLog(program) ?? ''}`,
      );
    return program;
  }

  dispose(): void {
    this.forget(new Set());
    this.gl.getExtension('WEBGL_lose_context')?.loseContext();
  }
}

function hasAreas(strokes: Float32Array, from: number, to: number): boolean {
  for (let s = from; s < to; s++) if (strokes[s * strokeSize + strokeAt.fill]! > 0) return true;
  return false;
}
