import { Injectable, type OnDestroy } from '@angular/core';
import {
  BufferGeometry,
  Camera,
  InterleavedBuffer,
  InterleavedBufferAttribute,
  Mesh,
  CustomBlending,
  DoubleSide,
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

/**
 * Paints pens onto canvases. All sheets share one WebGL context: a sheet is drawn there and copied, so that any number of
 * stages and thumbnails costs no further context.
 */
@Injectable({ providedIn: 'root' })
export class SheetRenderer implements OnDestroy {
  private readonly renderer = new WebGLRenderer({ alpha: true, antialias: false, premultipliedAlpha: true });
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
  private size = { width: 0, height: 0 };

  constructor() {
    const mesh = new Mesh(this.geometry, this.material);
    mesh.frustumCulled = false;
    this.scene.add(mesh);
    this.renderer.setPixelRatio(1);
    this.renderer.setClearColor(0xfffdf8, 1);
  }

  /** Paints pens, the first lowest, onto a canvas of the given size in CSS px. */
  paint(pens: readonly Pen[], canvas: HTMLCanvasElement, size: SheetSize): void {
    const ratio = Math.min(2, globalThis.devicePixelRatio || 1);
    const width = Math.max(1, Math.round(size.width * ratio));
    const height = Math.max(1, Math.round(size.height * ratio));
    if (canvas.width !== width || canvas.height !== height) {
      canvas.width = width;
      canvas.height = height;
    }
    this.grow(width, height);
    this.load(pens);
    (this.material.uniforms['sheet']!.value as Vector2).set(size.width, size.height);
    this.renderer.setViewport(0, this.size.height - height, width, height);
    this.renderer.setScissor(0, this.size.height - height, width, height);
    this.renderer.setScissorTest(true);
    this.renderer.render(this.scene, this.camera);
    canvas.getContext('2d')?.drawImage(this.renderer.domElement, 0, 0, width, height, 0, 0, width, height);
  }

  ngOnDestroy(): void {
    this.geometry.dispose();
    this.material.dispose();
    this.renderer.dispose();
  }

  /** The shared drawing buffer only ever grows, so that switching between sheets allocates nothing. */
  private grow(width: number, height: number): void {
    if (width <= this.size.width && height <= this.size.height) return;
    this.size = { width: Math.max(width, this.size.width), height: Math.max(height, this.size.height) };
    this.renderer.setSize(this.size.width, this.size.height, false);
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
