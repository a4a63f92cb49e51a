import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type FrameChanges, type Units } from '@hashira/core';
import { TableModule } from 'primeng/table';
import { LegendComponent } from '../design/stage-tools/legend.component';
import { StageComponent } from '../stage/stage.component';
import type { StageContent } from '../stage/types';
import { ViewState } from '../state/view-state.service';
import { differenceText, figureText } from '../ui/fields/values';
import { WhatChanged } from './what-changed.service';
import { readersUnits } from '../ui/units.service';

/** Changes of the frame that read alike, told once with all the parts that they are of. */
interface ToldChange {
  readonly words: string;
  readonly ids: readonly string[];
}

/** A change of more letters is only said to be one: loads, of which the rules of the design tell. */
const longest = 90;
/** Names that are told one by one; of more only the first and how many. */
const mostNames = 3;

/** What changed between two states: one drawing, sentences of which each lights up its place, and figures before and after. */
@Component({
  selector: 'app-what-changed',
  imports: [LegendComponent, StageComponent, TableModule],
  templateUrl: './what-changed.component.html',
  styleUrl: './what-changed.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhatChangedComponent {
  private readonly units = readersUnits();
  protected readonly changed = inject(WhatChanged);
  protected readonly view = inject(ViewState);

  protected readonly content = computed((): StageContent | undefined => {
    const scene = this.changed.scene();
    return (
      scene && {
        scene,
        layers: ['members', 'supports', 'hinges'],
        scales: { diagram: 0, deformation: 1, load: 0 },
        dimensions: false,
      }
    );
  });
  protected readonly direction = computed(() =>
    this.changed.scene()?.space === 'solid' ? this.view.direction() : 'front',
  );

  protected readonly told = computed((): readonly ToldChange[] => {
    const changes = this.changed.found()?.changes;
    return changes ? toldChanges(changes, this.units()) : [];
  });
  protected readonly isSame = computed(
    () => this.changed.found()?.changes.sentences.length === 0 && this.told().length === 0,
  );

  protected readonly figures = computed(() => {
    const [before, after] = this.changed.figures();
    const known = [...(after?.figures ?? []), ...(before?.figures ?? [])];
    return [...new Map(known.map(({ id, title }) => [id, title]))].map(([id, title]) => {
      const [a, b] = [before, after].map((one) => one?.figures.find((figure) => figure.id === id));
      return {
        id,
        title,
        before: a ? figureText(a, this.units()) : '–',
        after: b ? figureText(b, this.units()) : '–',
        difference: differenceText(b, a),
        over: b?.status === 'fail',
      };
    });
  });

  protected show(ids: readonly string[]): void {
    this.changed.highlighted.set(ids);
  }
}

/** What is new, gone, moved and otherwise, in words. */
function toldChanges({ added, removed, moved, changed }: FrameChanges, units: Units): ToldChange[] {
  const idOf = (part: object): string =>
    'node' in part ? (part as { node: string }).node : (part as { member: string }).member;
  const groups = new Map<string, { titles: string[]; ids: string[] }>();
  const tell = (words: string, title: string, part: object): void => {
    const one = groups.get(words) ?? { titles: [], ids: [] };
    groups.set(words, one);
    one.titles.push(title);
    one.ids.push(idOf(part));
  };
  for (const part of added) tell('added', part.title, part);
  for (const part of removed) tell('removed', part.title, part);
  for (const part of changed) {
    const words = `${part.before} → ${part.after}`;
    tell(words.length > longest ? `other ${part.what}` : `${part.what} ${words}`, part.title, part);
  }
  for (const part of moved)
    tell(
      `moved by ${part.by
        .map((value, k) => (Math.abs(value) < 1e-6 ? '' : `${'XYZ'[k]!} ${units.withUnit(value, 'length')}`))
        .filter((words) => words !== '')
        .join(', ')}`,
      part.title,
      part,
    );
  return [...groups].map(([words, { titles, ids }]) => ({ words: `${namesOf(titles)}: ${words}`, ids }));
}

const namesOf = (titles: readonly string[]): string =>
  titles.length <= mostNames ? titles.join(', ') : `${titles[0]!} and ${titles.length - 1} more`;
