import type { Calculated, Design } from '@hashira/core';
import document from '../../../../core/demo/slip-shed.json';
import { fitCamera, extentOf } from '../stage/camera';
import type { StageScene } from '../stage/scene';
import { calculateDesign } from '../workspace/calculate-design';

/** A fresh copy of the demo design. */
export function slipShed(): Design {
  return structuredClone(document) as Design;
}

/** The demo's alternatives, calculated. */
export function calculatedSlipShed(design = slipShed()): Calculated[] {
  return calculateDesign(design).flatMap((result) => (result.ok ? [result.value] : []));
}

/** A scene of 800 × 600 px of one alternative, all layers on, M for the combination. */
export function sceneOf(calculated: Calculated, resultId: string): StageScene {
  const size = { width: 800, height: 600 };
  const selection = calculated.selections.find((s) => s.id === resultId)!;
  return {
    geometry: calculated.built.geometry,
    model: calculated.built.model,
    calculated,
    selection,
    layers: { diagram: 'M', deformed: false, loads: true, reactions: true, dimensions: true },
    scales: { diagram: 1e-5, deformation: 10, load: 2e-4 },
    camera: fitCamera(extentOf(calculated.frame.xyz), size, { left: 100, right: 100, top: 100, bottom: 100 }),
    size,
    phase: 1,
    thumbnail: false,
  };
}
