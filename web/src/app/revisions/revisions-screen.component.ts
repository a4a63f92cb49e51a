import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { MessageService } from 'primeng/api';
import { Button } from 'primeng/button';
import { firstValueFrom } from 'rxjs';
import { DesignApi, type RevisionSummary } from '../state/saving/design-api.service';
import { EditableTextComponent } from '../ui/editable-text.component';
import { titleWith } from '@hashira/core';
import { DesignWorkspace } from '../state/design-workspace.service';

/** The record of a design: its revisions; those that matter are named, any one can be taken up again. */
@Component({
  selector: 'app-record-screen',
  imports: [Button, DatePipe, EditableTextComponent],
  templateUrl: './revisions-screen.component.html',
  styleUrl: './revisions-screen.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordScreenComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);
  private readonly messages = inject(MessageService);
  private readonly workspace = inject(DesignWorkspace);

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
