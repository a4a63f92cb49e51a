import type { Shape } from '../model/types.js';
import { sectionDetails, type SectionDetails } from './details.js';

/** One property in words. */
export interface PropertyLine {
  readonly symbol: string;
  readonly title: string;
  /** SI. */
  readonly value: number;
  /** Four digits in the unit that tables use. */
  readonly text: string;
}

const units: Readonly<Record<number, [unit: string, scale: number]>> = {
  1: ['mm', 1e3],
  2: ['cm²', 1e4],
  3: ['cm³', 1e6],
  4: ['cm⁴', 1e8],
  6: ['cm⁶', 1e12],
};

const lines: readonly [key: keyof SectionDetails, symbol: string, title: string, dimension: number][] = [
  ['h', 'h', 'depth along z', 1],
  ['b', 'b', 'width along y', 1],
  ['A', 'A', 'area', 2],
  ['perimeter', 'surface', 'outer surface per metre', 0],
  ['Iy', 'Iy', 'second moment about y', 4],
  ['Iz', 'Iz', 'second moment about z', 4],
  ['Iyz', 'Iyz', 'product of inertia', 4],
  ['iy', 'iy', 'radius of gyration about y', 1],
  ['iz', 'iz', 'radius of gyration about z', 1],
  ['Wely', 'Wel,y', 'elastic modulus about y, the smaller side', 3],
  ['Welz', 'Wel,z', 'elastic modulus about z, the smaller side', 3],
  ['Wply', 'Wpl,y', 'plastic modulus about y', 3],
  ['Wplz', 'Wpl,z', 'plastic modulus about z', 3],
  ['Avz', 'Av,z', 'shear area along z', 2],
  ['Avy', 'Av,y', 'shear area along y', 2],
  ['J', 'It', 'torsion constant', 4],
  ['Iw', 'Iw', 'warping constant', 6],
  ['Iu', 'Iu', 'greatest principal second moment', 4],
  ['Iv', 'Iv', 'least principal second moment', 4],
  ['alpha', 'α', 'from y to the axis u', 0],
  ['iu', 'iu', 'radius of gyration about u', 1],
  ['iv', 'iv', 'radius of gyration about v', 1],
  ['left', 'cy', 'centroid from the left edge', 1],
  ['bottom', 'cz', 'centroid from the bottom edge', 1],
  ['ys', 'ys', 'shear centre from the centroid, along y', 1],
  ['zs', 'zs', 'shear centre from the centroid, along z', 1],
  ['yPlastic', 'ypl', 'plastic neutral axis from the centroid, along y', 1],
  ['zPlastic', 'zpl', 'plastic neutral axis from the centroid, along z', 1],
];

/** Every property of a shape with its symbol, meaning and unit, as tables print them. */
export function describeSection(shape: Shape): PropertyLine[] {
  const details = sectionDetails(shape);
  return lines.flatMap(([key, symbol, title, dimension]) => {
    const value = details[key];
    return value === undefined ? [] : [{ symbol, title, value, text: textOf(key, value, dimension) }];
  });
}

function textOf(key: keyof SectionDetails, value: number, dimension: number): string {
  if (key === 'alpha') return `${((value * 180) / Math.PI).toFixed(2)}°`;
  if (key === 'perimeter') return `${value.toPrecision(4)} m²/m`;
  const [unit, scale] = units[dimension]!;
  // What is zero but for rounding is zero
  const scaled = Math.abs(value * scale) < 1e-7 ? 0 : value * scale;
  const digits =
    Math.abs(scaled) >= 1e5 ? Math.round(scaled).toString() : String(Number(scaled.toPrecision(4)));
  return `${digits} ${unit}`;
}
