import { Injectable, computed, inject, signal } from '@angular/core';
import { drawMember, typedEnd, type NamedPlace } from '@hashira/core';
import { Calculation } from './calculation/calculation.service';
import { DesignWorkspace } from './design-workspace.service';
import { ExpressionHelp } from './expression-help.service';
import { Selection } from './selection.service';

/** A member that is being drawn from place to place: what is pointed at snaps to what steps can name. */
@Injectable()
export class MemberDrawing {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly selection = inject(Selection);
  private readonly help = inject(ExpressionHelp);
  readonly active = signal(false);
  /** Where the member begins, once that is pressed. */
  readonly from = signal<NamedPlace | undefined>(undefined);
  /** The place that is pointed at. */
  readonly at = signal<NamedPlace | undefined>(undefined);
  /** The last place that was pointed at since the member began: typing takes the hand off it. */
  private readonly aim = signal<NamedPlace['at'] | undefined>(undefined);
  private asked = 0;

  /** What is drawn so far, to be shown on the stage. */
  readonly sketch = computed(() => {
    const [from, at] = [this.from(), this.at()];
    if (!this.active() || (!from && !at)) return undefined;
    return { from: (from ?? at)!.at, to: at?.at ?? from!.at, title: at?.title ?? '' };
  });

  begin(): void {
    this.selection.clear();
    this.from.set(undefined);
    this.active.set(true);
  }

  /** Gives up the beginning, or else drawing altogether. */
  back(): void {
    if (this.from()) this.from.set(undefined);
    else this.end();
  }

  end(): void {
    this.active.set(false);
    this.from.set(undefined);
    this.at.set(undefined);
  }

  /** Looks for the place that is meant by a share of a member; nothing where none is pointed at. */
  async point(member: string | undefined, share = 0): Promise<void> {
    const asked = ++this.asked;
    const design = this.workspace.state()?.design;
    if (!this.active() || member === undefined || !design) {
      this.at.set(undefined);
      return;
    }
    const alternative = this.workspace.selectedAlternative(design).id;
    const place = await this.calculation.ask(alternative, 'place', { member, share });
    if (asked !== this.asked || !this.active()) return;
    this.at.set(place);
    if (place) this.aim.set(place.at);
  }

  /** Takes the place that is pointed at: it begins a member, or ends it. */
  press(): void {
    const at = this.at();
    const from = this.from();
    if (!at) return;
    if (!from) {
      this.from.set(at);
      this.aim.set(undefined);
    } else if (from.name !== at.name) this.draw(from, at.name);
  }

  /** Ends the member by what is typed: a length towards what is pointed at, or coordinates. Returns what is wrong with it. */
  finish(text: string): string {
    const from = this.from();
    const design = this.workspace.state()?.design;
    if (!from || !design) return '';
    const towards = this.aim();
    const end = typedEnd(text, this.help.names(), {
      from: from.at,
      space: design.space,
      ...(towards ? { towards } : {}),
    });
    if (!end.ok) return end.problems[0]!.message;
    this.draw(from, end.value);
    return '';
  }

  private draw(from: NamedPlace, to: string | readonly string[]): void {
    this.workspace.apply((design) => drawMember(design, from.name, to).design);
    this.workspace.endGesture();
    this.from.set(undefined);
  }
}
