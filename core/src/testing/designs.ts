import { readFileSync } from 'node:fs';
import type { Design } from '../recipe/types.js';

const text = readFileSync(new URL('../../demo/slip-shed.json', import.meta.url), 'utf8');

/** A fresh copy of the demo design. */
export function slipShed(): Design {
  return JSON.parse(text) as Design;
}

/** The demo design with some parameters set. */
export function slipShedWith(values: Record<string, string>): Design {
  const design = slipShed();
  for (const parameter of design.parameters) parameter.value = values[parameter.name] ?? parameter.value;
  return design;
}
