import {
  fitView,
  standardViews,
  type AlternativeSummary,
  type Design,
  type DrawingOptions,
  type DrawnScene,
  type EvaluatedAlternative,
  drawingOf,
  summaryOf,
} from '@hashira/core';
import document from '../../../../core/demo/slip-shed.json';
import type { Sheet } from '../stage/types';
import { workedOut } from './worked-out';

/** A fresh copy of the demo design. */
export function slipShed(): Design {
  return {
    sections: [],
    materials: [],
    axes: [],
    ...(structuredClone(document) as object),
  } as unknown as Design;
}

/** An alternative of a design, worked out. */
export const evaluated = (id: string, design = slipShed()): EvaluatedAlternative =>
  workedOut(
    design,
    design.alternatives.find((one) => one.id === id)!,
  );

/** Summary and drawing of an alternative under a load case or combination. */
export function known(
  id: string,
  options: DrawingOptions = { result: 'U1', diagram: 'My' },
  design = slipShed(),
): { summary: AlternativeSummary; scene: DrawnScene } {
  const one = evaluated(id, design);
  return { summary: summaryOf(one, options.result), scene: drawingOf(one, options)! };
}

/** A sheet of 800 × 600 px with all layers on. */
export function sheetOf(scene: DrawnScene): Sheet {
  const size = { width: 800, height: 600 };
  return {
    scene,
    layers: ['axes', 'loads', 'diagram', 'members', 'supports', 'hinges', 'reactions'],
    scales: { diagram: 1e-5, deformation: 10, load: 2e-4 },
    dimensions: true,
    view: fitView(scene.points, standardViews.front, size, { left: 100, right: 100, top: 100, bottom: 100 }),
    size,
    phase: 1,
    thumbnail: false,
  };
}
