import { drawDeformed, drawMechanism } from './draw-deformed';
import { drawDiagram } from './draw-diagram';
import { drawHinges, drawMembers } from './draw-frame';
import { drawLoads } from './draw-loads';
import { drawReactions } from './draw-reactions';
import { drawSupports } from './draw-supports';
import { Pen } from './pen';
import type { StageLabel, StageScene } from './scene';

/** Draws a scene: triangles for the sheet, and the texts that belong on it. */
export function drawStage(scene: StageScene): { pen: Pen; labels: StageLabel[] } {
  const pen = new Pen();
  const labels: StageLabel[] = [];
  drawSupports(pen, scene);
  if (scene.layers.loads) drawLoads(pen, scene, labels);
  drawDiagram(pen, scene, labels);
  drawMembers(pen, scene);
  drawDeformed(pen, scene, labels);
  drawMechanism(pen, scene);
  drawHinges(pen, scene);
  drawReactions(pen, scene, labels);
  return { pen, labels };
}
