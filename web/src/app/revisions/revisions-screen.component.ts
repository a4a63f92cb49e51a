import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { MessageService } from 'primeng/api';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { TableModule } from 'primeng/table';
import { firstValueFrom } from 'rxjs';
import { DesignApi, type RevisionSummary } from '../state/saving/design-api.service';
import { EditableTextComponent } from '../ui/editable-text.component';
import { titleWith } from '@hashira/core';
import { CalculationAside } from '../state/calculation/calculation-aside.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { WhatChangedComponent } from './what-changed.component';
import { WhatChanged, type Side } from './what-changed.service';

/** The record of a design: its revisions; those that matter are named, any one can be taken up again. */
@Component({
  selector: 'app-record-screen',
  imports: [Button, DatePipe, EditableTextComponent, FormsModule, Select, TableModule, WhatChangedComponent],
  providers: [WhatChanged, CalculationAside],
  templateUrl: './revisions-screen.component.html',
  styleUrl: './revisions-screen.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordScreenComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);
  private readonly messages = inject(MessageService);
  private readonly workspace = inject(DesignWorkspace);
  protected readonly changed = inject(WhatChanged);

  protected readonly revisions = signal<readonly RevisionSummary[] | undefined>(undefined);
  protected readonly problem = signal('');
  protected readonly onlyNamed = signal(false);
  protected readonly rows = computed(() =>
    (this.revisions() ?? []).filter(({ name }) => !this.onlyNamed() || name !== null),
  );
  private readonly current = computed(() => {
    const state = this.workspace.savingState();
    return state.kind === 'saved' ? state.revision : undefined;
  });

  constructor() {
    effect(() => {
      // What was saved meanwhile is listed, too
      this.current();
      void this.attempt(() => this.refresh());
    });
  }

  /** States that can be compared: alternatives as they are now, and revisions. */
  protected readonly sides = computed(() => {
    const { alternatives } = this.workspace.state()!.design;
    const file = [this.changed.before(), this.changed.after()].flatMap((side) =>
      side?.kind === 'file' ? [{ key: keyOf(side), label: side.name, side: side }] : [],
    );
    return [
      {
        label: 'on the screen',
        items: alternatives.map(({ id, title }) => option({ kind: 'alternative', id }, title)),
      },
      {
        label: 'revisions',
        items: (this.revisions() ?? []).map(({ revision, name }) =>
          option({ kind: 'revision', revision }, `revision ${revision}${name === null ? '' : `, ${name}`}`),
        ),
      },
      ...(file.length > 0 ? [{ label: 'files', items: file }] : []),
    ];
  });
  protected readonly beforeKey = computed(() => keyOf(this.changed.before()));
  protected readonly afterKey = computed(() => keyOf(this.changed.after()));
  protected readonly isComparing = computed(
    () => this.changed.before() !== undefined || this.changed.problem() !== '',
  );

  /** What changed from a revision to what is on the screen. */
  protected changedSince({ revision }: RevisionSummary): void {
    const { id } = this.workspace.selectedAlternative(this.workspace.state()!.design);
    void this.changed.compare({ kind: 'revision', revision }, { kind: 'alternative', id });
  }

  protected choose(which: 'before' | 'after', key: string): void {
    const side = this.sides()
      .flatMap(({ items }) => items)
      .find((one) => one.key === key)!.side;
    const { id } = this.workspace.selectedAlternative(this.workspace.state()!.design);
    const other: Side = this.changed[which === 'before' ? 'after' : 'before']() ?? {
      kind: 'alternative',
      id,
    };
    void this.changed.compare(which === 'before' ? side : other, which === 'before' ? other : side);
  }

  protected withFile(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = '';
    if (file) void this.changed.compareWithFile(file);
  }

  protected isCurrent({ revision }: RevisionSummary): boolean {
    return revision === this.current();
  }

  protected rename({ revision }: RevisionSummary, text: string): Promise<void> {
    const name = text.trim() === '' ? null : text.trim();
    return this.attempt(async () => {
      await firstValueFrom(this.api.nameRevision(this.workspace.id, revision, name));
      await this.refresh();
    });
  }

  /** Takes a revision's state up as a change of the open design, which is saved as a revision of its own and can be undone. */
  protected takeUp({ revision }: RevisionSummary): Promise<void> {
    return this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.revision(this.workspace.id, revision));
      this.workspace.replace(document);
      this.messages.add({
        severity: 'secondary',
        summary: `The design is as it was in revision ${revision}.`,
        life: 8000,
        data: { label: 'Undo', action: () => this.workspace.undo() },
      });
    });
  }

  protected keepAsDesign({ revision, savedAt }: RevisionSummary): Promise<void> {
    return this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.revision(this.workspace.id, revision));
      const title = titleWith(document.title, `, revision ${revision} of ${savedAt.slice(0, 10)}`);
      const stored = await firstValueFrom(this.api.create({ ...document, title }));
      await this.router.navigate(['/designs', stored.id]);
    });
  }

  private async refresh(): Promise<void> {
    this.revisions.set(await firstValueFrom(this.api.revisions(this.workspace.id)));
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
      this.problem.set('');
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
  }
}

/** A state as lists name it. */
const keyOf = (side: Side | undefined): string =>
  side === undefined
    ? ''
    : side.kind === 'revision'
      ? `revision ${side.revision}`
      : side.kind === 'alternative'
        ? `alternative ${side.id}`
        : `file ${side.name}`;

const option = (side: Side, label: string) => ({ key: keyOf(side), label, side });
