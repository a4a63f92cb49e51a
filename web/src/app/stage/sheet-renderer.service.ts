import { Injectable, type OnDestroy } from '@angular/core';
import {
  BufferGeometry,
  Camera,
  CustomBlending,
  DoubleSide,
  InterleavedBuffer,
  InterleavedBufferAttribute,
  Mesh,
  OneFactor,
  OneMinusSrcAlphaFactor,
  Scene,
  ShaderMaterial,
  SrcAlphaFactor,
  Vector2,
  WebGLRenderer,
} from 'three';
import type { SheetSize } from './camera';
import { vertexSize, type Pen } from './pen';

const vertexShader = `
  attribute vec2 stroke;
  attribute vec4 ink;
  uniform vec2 sheet;
  varying vec2 vStroke;
  varying vec4 vInk;
  void main() {
    vStroke = stroke;
    vInk = ink;
    gl_Position = vec4(position.x / sheet.x * 2.0 - 1.0, 1.0 - position.y / sheet.y * 2.0, 0.0, 1.0);
  }`;

// Coverage falls from 1 to 0 over the pixel at a line's edge
const fragmentShader = `
  varying vec2 vStroke;
  varying vec4 vInk;
  void main() {
    float coverage = clamp(vStroke.y + 0.5 - abs(vStroke.x), 0.0, 1.0);
    gl_FragColor = vec4(vInk.rgb, vInk.a * coverage);
  }`;

/** Sheets up to this width share one context and wait for the large ones, px. */
const smallWidth = 200;
/** Thumbnails are painted at the latest after this, ms. */
const longestWait = 100;
/** Browsers keep some sixteen WebGL contexts; sheets beyond this many share one too. */
const mostContexts = 8;

/** Paints triangles in one WebGL context: that of a canvas on the page, or one off it whose pictures are handed over. */
class SheetContext {
  private readonly renderer: WebGLRenderer;
  private readonly material = new ShaderMaterial({
    vertexShader,
    fragmentShader,
    uniforms: { sheet: { value: new Vector2(1, 1) } },
    transparent: true,
    side: DoubleSide,
    depthTest: false,
    depthWrite: false,
    blending: CustomBlending,
    blendSrc: SrcAlphaFactor,
    blendDst: OneMinusSrcAlphaFactor,
    blendSrcAlpha: OneFactor,
    blendDstAlpha: OneMinusSrcAlphaFactor,
  });
  private buffer = new InterleavedBuffer(new Float32Array(0), vertexSize);
  private readonly geometry = new BufferGeometry();
  private readonly scene = new Scene();
  private readonly camera = new Camera();
  private width = 0;
  private height = 0;

  constructor(private readonly target: HTMLCanvasElement | OffscreenCanvas) {
    this.renderer = new WebGLRenderer({ canvas: target, alpha: false, antialias: false, depth: false });
    const mesh = new Mesh(this.geometry, this.material);
    mesh.frustumCulled = false;
    this.scene.add(mesh);
    this.renderer.setPixelRatio(1);
    this.renderer.setClearColor(0xfffdf8, 1);
  }

  /** Draws pens, the first lowest, over the whole target. */
  draw(pens: readonly Pen[], size: SheetSize): void {
    this.resize(size.width, size.height);
    this.drawAt(pens, size, 0);
  }

  /** Draws sheets of one size under each other and gives the picture of all of them. */
  drawColumn(sheets: readonly (readonly Pen[])[], size: SheetSize): ImageBitmap | undefined {
    if (!(this.target instanceof OffscreenCanvas)) return undefined;
    this.resize(size.width, size.height * sheets.length);
    sheets.forEach((pens, i) => this.drawAt(pens, size, size.height * i));
    return this.target.transferToImageBitmap();
  }

  private resize(width: number, height: number): void {
    const ratio = pixelRatio();
    if (width * ratio === this.width && height * ratio === this.height) return;
    this.width = width * ratio;
    this.height = height * ratio;
    this.renderer.setSize(this.width, this.height, false);
  }

  private drawAt(pens: readonly Pen[], size: SheetSize, top: number): void {
    const ratio = pixelRatio();
    const bottom = this.height - (top + size.height) * ratio;
    this.renderer.setViewport(0, bottom, size.width * ratio, size.height * ratio);
    this.renderer.setScissor(0, bottom, size.width * ratio, size.height * ratio);
    this.renderer.setScissorTest(true);
    this.load(pens);
    (this.material.uniforms['sheet']!.value as Vector2).set(size.width, size.height);
    this.renderer.render(this.scene, this.camera);
  }

  dispose(): void {
    this.geometry.dispose();
    this.material.dispose();
    this.renderer.dispose();
    this.renderer.forceContextLoss();
  }

  private load(pens: readonly Pen[]): void {
    const length = pens.reduce((sum, pen) => sum + pen.vertices.length, 0);
    if (this.buffer.array.length < length) {
      this.geometry.dispose();
      this.buffer = new InterleavedBuffer(new Float32Array(length * 2), vertexSize);
      this.geometry.setAttribute('position', new InterleavedBufferAttribute(this.buffer, 2, 0));
      this.geometry.setAttribute('stroke', new InterleavedBufferAttribute(this.buffer, 2, 2));
      this.geometry.setAttribute('ink', new InterleavedBufferAttribute(this.buffer, 4, 4));
    }
    let at = 0;
    for (const { vertices } of pens) {
      (this.buffer.array as Float32Array).set(vertices, at);
      at += vertices.length;
    }
    this.buffer.clearUpdateRanges();
    this.buffer.addUpdateRange(0, length);
    this.buffer.needsUpdate = true;
    this.geometry.setDrawRange(0, length / vertexSize);
  }
}

/**
 * Paints pens onto canvases. A large sheet has a WebGL context of its own, which the browser composes without waiting;
 * thumbnails share one off the page and wait for a pause in the work, a tenth of a second at the most.
 */
@Injectable({ providedIn: 'root' })
export class SheetRenderer implements OnDestroy {
  private readonly own = new Map<HTMLCanvasElement, SheetContext>();
  private shared: SheetContext | undefined;
  private readonly waiting = new Map<HTMLCanvasElement, { pens: readonly Pen[]; size: SheetSize }>();
  private idle = 0;

  /** Paints pens, the first lowest, onto a canvas of the given size in CSS px. */
  paint(pens: readonly Pen[], canvas: HTMLCanvasElement, size: SheetSize): void {
    const context = this.own.get(canvas) ?? (size.width > smallWidth ? this.ownContext(canvas) : undefined);
    if (context) {
      context.draw(pens, size);
      return;
    }
    this.waiting.set(canvas, { pens, size });
    this.idle ||= requestIdleCallback(() => this.paintWaiting(), { timeout: longestWait });
  }

  /** Frees what a canvas that leaves the page has taken. */
  release(canvas: HTMLCanvasElement): void {
    this.own.get(canvas)?.dispose();
    this.own.delete(canvas);
    this.waiting.delete(canvas);
  }

  ngOnDestroy(): void {
    cancelIdleCallback(this.idle);
    for (const context of this.own.values()) context.dispose();
    this.shared?.dispose();
  }

  private ownContext(canvas: HTMLCanvasElement): SheetContext | undefined {
    if (this.own.size >= mostContexts) return undefined;
    const context = new SheetContext(canvas);
    this.own.set(canvas, context);
    return context;
  }

  /** Paints what waits in one picture for each size, so that the graphics process is waited for once. */
  private paintWaiting(): void {
    this.idle = 0;
    this.shared ??= new SheetContext(new OffscreenCanvas(1, 1));
    for (const sheets of bySize(this.waiting)) {
      const size = sheets[0]!.size;
      const picture = this.shared.drawColumn(
        sheets.map(({ pens }) => pens),
        size,
      );
      const [width, height] = [size.width * pixelRatio(), size.height * pixelRatio()];
      sheets.forEach(({ canvas }, i) => {
        canvas.width = width;
        canvas.height = height;
        if (picture)
          canvas.getContext('2d')?.drawImage(picture, 0, height * i, width, height, 0, 0, width, height);
      });
      picture?.close();
    }
    this.waiting.clear();
  }
}

interface WaitingSheet {
  readonly canvas: HTMLCanvasElement;
  readonly pens: readonly Pen[];
  readonly size: SheetSize;
}

function bySize(waiting: ReadonlyMap<HTMLCanvasElement, Omit<WaitingSheet, 'canvas'>>): WaitingSheet[][] {
  const groups = new Map<string, WaitingSheet[]>();
  for (const [canvas, sheet] of waiting) {
    const key = `${sheet.size.width} ${sheet.size.height}`;
    groups.set(key, [...(groups.get(key) ?? []), { canvas, ...sheet }]);
  }
  return [...groups.values()];
}

/** Pixels of the screen for a CSS px, a whole number so that sheets end on pixels. */
function pixelRatio(): number {
  return Math.min(2, Math.max(1, Math.round(globalThis.devicePixelRatio || 1)));
}
