import type { Point } from './pen';

/** The elevation of the X–Z plane: where its middle is and how large it is drawn. */
export interface Camera {
  /** Point of the frame in the middle of the sheet, m. */
  readonly x: number;
  readonly z: number;
  /** px per m. */
  readonly scale: number;
}

/** A sheet's size, px. */
export interface SheetSize {
  readonly width: number;
  readonly height: number;
}

/** Extent of what is drawn, m. */
export interface Extent {
  readonly minX: number;
  readonly maxX: number;
  readonly minZ: number;
  readonly maxZ: number;
}

/** Space kept free around the frame, px. */
export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Point of the frame (m) → point on the sheet (px). */
export function project(camera: Camera, size: SheetSize, x: number, z: number): Point {
  return [size.width / 2 + (x - camera.x) * camera.scale, size.height / 2 - (z - camera.z) * camera.scale];
}

/** Point on the sheet (px) → point of the frame (m). */
export function unproject(camera: Camera, size: SheetSize, [px, py]: Point): { x: number; z: number } {
  return {
    x: camera.x + (px - size.width / 2) / camera.scale,
    z: camera.z - (py - size.height / 2) / camera.scale,
  };
}

/** Extent of points given as [x, y, z] triples. */
export function extentOf(xyz: ArrayLike<number>): Extent {
  let [minX, maxX, minZ, maxZ] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i + 2 < xyz.length; i += 3) {
    minX = Math.min(minX, xyz[i]!);
    maxX = Math.max(maxX, xyz[i]!);
    minZ = Math.min(minZ, xyz[i + 2]!);
    maxZ = Math.max(maxZ, xyz[i + 2]!);
  }
  return { minX, maxX, minZ, maxZ };
}

/** The extent that holds both. */
export function union(a: Extent, b: Extent): Extent {
  return {
    minX: Math.min(a.minX, b.minX),
    maxX: Math.max(a.maxX, b.maxX),
    minZ: Math.min(a.minZ, b.minZ),
    maxZ: Math.max(a.maxZ, b.maxZ),
  };
}

/** The camera that shows an extent as large as the margins allow. */
export function fitCamera(extent: Extent, size: SheetSize, margins: Margins): Camera {
  const wide = Math.max(extent.maxX - extent.minX, 0.1);
  const high = Math.max(extent.maxZ - extent.minZ, 0.1);
  const scale = Math.max(
    1e-3,
    Math.min(
      (size.width - margins.left - margins.right) / wide,
      (size.height - margins.top - margins.bottom) / high,
    ),
  );
  return {
    scale,
    x: (extent.minX + extent.maxX) / 2 + (margins.right - margins.left) / 2 / scale,
    z: (extent.minZ + extent.maxZ) / 2 + (margins.top - margins.bottom) / 2 / scale,
  };
}

/** Zooms about a point of the sheet, which stays where it is. */
export function zoomAt(camera: Camera, size: SheetSize, at: Point, factor: number): Camera {
  const { x, z } = unproject(camera, size, at);
  const scale = Math.min(2000, Math.max(0.5, camera.scale * factor));
  const ratio = camera.scale / scale;
  return { scale, x: x + (camera.x - x) * ratio, z: z + (camera.z - z) * ratio };
}

/** Moves the sheet under the camera by px. */
export function pan(camera: Camera, dx: number, dy: number): Camera {
  return { ...camera, x: camera.x - dx / camera.scale, z: camera.z + dy / camera.scale };
}
