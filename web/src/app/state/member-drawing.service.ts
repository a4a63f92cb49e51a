import { Injectable, computed, inject, signal } from '@angular/core';
import { attempt, drawMember, freePlace, resolveAlternative, typedEnd, type NamedPlace } from '@hashira/core';
import { Calculation } from './calculation/calculation.service';
import { DesignWorkspace } from './design-workspace.service';
import { ExpressionHelp } from './expression-help.service';
import { Selection } from './selection.service';

/** A place from or to which a member is drawn: one that the frame names, or coordinates. */
export interface DrawnPlace {
  readonly point: string | readonly string[];
  readonly title: string;
  /** m */
  readonly at: NamedPlace['at'];
}

/** A point of the sheet that is pointed at beside the frame, m, and how much of the frame a few px are, m. */
export interface SheetPoint {
  readonly at: NamedPlace['at'];
  readonly reach: number;
}

/** A member that is being drawn from place to place: what is pointed at snaps to what steps can name, to grid lines, or to a spacing. */
@Injectable()
export class MemberDrawing {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly selection = inject(Selection);
  private readonly help = inject(ExpressionHelp);
  readonly active = signal(false);
  /** Where the member begins, once that is pressed. */
  readonly from = signal<DrawnPlace | undefined>(undefined);
  /** The place that is pointed at. */
  readonly at = signal<DrawnPlace | undefined>(undefined);
  /** Multiples of which places beside the frame have as coordinates, m. */
  readonly spacing = signal(0.5);
  /** The last place that was pointed at since the member began: typing takes the hand off it. */
  private readonly aim = signal<DrawnPlace['at'] | undefined>(undefined);
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

  /** Looks for the place that is meant by a fraction of a member; nothing where none is pointed at. */
  async point(member: string | undefined, fraction = 0): Promise<void> {
    const asked = ++this.asked;
    const design = this.workspace.state()?.design;
    if (!this.active() || member === undefined || !design) {
      this.at.set(undefined);
      return;
    }
    const alternative = this.workspace.selectedAlternative(design).id;
    const place = await this.calculation.ask(alternative, 'place', { member, fraction });
    if (asked !== this.asked || !this.active()) return;
    this.aimAt(place && { point: place.name, title: place.title, at: place.at });
  }

  /** Takes the point beside the frame that is pointed at, on a grid line or a multiple of the spacing. */
  pointAt({ at, reach }: SheetPoint): void {
    const design = this.workspace.state()?.design;
    if (!this.active() || !design) return;
    this.asked++;
    const resolved = attempt(() => resolveAlternative(design, this.workspace.selectedAlternative(design)));
    const place = freePlace(at, {
      space: design.space,
      axes: resolved.ok ? resolved.value.axes : [],
      spacing: this.spacing(),
      reach,
    });
    this.aimAt({ point: place.coordinates, title: place.title, at: place.at });
  }

  private aimAt(place: DrawnPlace | undefined): void {
    this.at.set(place);
    if (place) this.aim.set(place.at);
  }

  /** Takes the place that is pointed at: it begins a member, or ends it. */
  press(): void {
    const at = this.at();
    const from = this.from();
    if (!at) return;
    if (!from) this.start(at);
    else if (String(from.point) !== String(at.point)) this.draw(from, at.point);
  }

  private start(at: DrawnPlace): void {
    this.from.set(at);
    this.aim.set(undefined);
  }

  /**
   * Ends the member by what is typed, a length towards what is pointed at, or coordinates; or begins it by coordinates.
   *
   * @returns what is wrong with it
   */
  finish(text: string): string {
    const from = this.from();
    const design = this.workspace.state()?.design;
    if (!design) return '';
    const towards = this.aim();
    const typed = typedEnd(text, this.help.names(), {
      space: design.space,
      ...(from ? { from: from.at } : {}),
      ...(from && towards ? { towards } : {}),
    });
    if (!typed.ok) return typed.problems[0]!.message;
    const { coordinates, at } = typed.value;
    if (from) this.draw(from, coordinates);
    else this.start({ point: coordinates, title: coordinates.join(', '), at });
    return '';
  }

  private draw(from: DrawnPlace, to: DrawnPlace['point']): void {
    this.workspace.apply((design) => drawMember(design, from.point, to).design);
    this.workspace.endGesture();
    this.from.set(undefined);
  }
}
