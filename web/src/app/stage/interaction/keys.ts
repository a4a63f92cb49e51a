import type { Point } from '../types';

/** What a key does on the stage. */
export type StageAction =
  | { readonly do: 'zoom'; readonly by: number }
  | { readonly do: 'fit' | 'leave' }
  /** px */
  | { readonly do: 'pan'; readonly by: Point }
  /** rad */
  | { readonly do: 'turn'; readonly by: Point }
  /** Along the member that is read, as a fraction of its length. */
  | { readonly do: 'along'; readonly by: number }
  /** To the next member, or the one before. */
  | { readonly do: 'member'; readonly by: 1 | -1 }
  | { readonly do: 'pick'; readonly add: boolean };

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'shiftKey' | 'ctrlKey' | 'metaKey'>;

/** px of one step of a pan, rad of one turn, fraction of a member of one step along it. */
const [panStep, turnStep, alongStep] = [40, 0.1, 0.05];

const directions: Readonly<Record<string, Point>> = {
  ArrowLeft: [1, 0],
  ArrowRight: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The action of a key: plain, with Shift, or with Alt; undefined for keys that are not the stage's. */
export function stageAction({ key, altKey, shiftKey, ctrlKey, metaKey }: Pressed): StageAction | undefined {
  if (ctrlKey || metaKey) return undefined;
  const direction = directions[key];
  if (altKey) return direction && { do: 'turn', by: scaled(direction, turnStep) };
  if (key === '+' || key === '=') return { do: 'zoom', by: 1.25 };
  if (shiftKey) {
    if (direction) return { do: 'pan', by: scaled(direction, panStep) };
    return key === 'Enter' ? { do: 'pick', add: true } : undefined;
  }
  switch (key) {
    case '-':
      return { do: 'zoom', by: 0.8 };
    case '0':
      return { do: 'fit' };
    case 'Escape':
      return { do: 'leave' };
    case 'ArrowRight':
    case 'ArrowUp':
      return { do: 'along', by: alongStep };
    case 'ArrowLeft':
    case 'ArrowDown':
      return { do: 'along', by: -alongStep };
    case 'PageDown':
      return { do: 'member', by: 1 };
    case 'PageUp':
      return { do: 'member', by: -1 };
    case 'Enter':
      return { do: 'pick', add: false };
    default:
      return undefined;
  }
}

const scaled = ([x, y]: Point, by: number): Point => [x * by, y * by];
