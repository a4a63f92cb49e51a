import { Injectable, effect, inject } from '@angular/core';
import { designPreview } from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { DesignWorkspace } from '../design-workspace.service';
import { DesignApi } from './design-api.service';

/** Keeps on the server what the list shows of the open design, once a revision is saved and worked out. */
@Injectable()
export class Previews {
  private readonly api = inject(DesignApi);
  private readonly workspace = inject(DesignWorkspace);
  /** What was kept last: the design's id and revision. */
  private kept = '';

  constructor() {
    effect(() => {
      const saving = this.workspace.savingState();
      const state = this.workspace.state();
      const { alternatives, current } = this.workspace.results();
      const { id } = this.workspace;
      if (saving.kind !== 'saved' || !state || !current) return;
      const key = `${id} ${saving.revision}`;
      if (key === this.kept) return;
      const own = state.design.alternatives.map(({ id }) => alternatives.get(id));
      if (own.some((one) => one?.version !== state.version)) return;
      const preview = designPreview(state.design, new Map(own.map((one) => [one!.summary.id, one!.summary])));
      if (!preview) return;
      this.kept = key;
      // Where it is not kept the list works it out
      void firstValueFrom(this.api.keepPreview(id, saving.revision, preview)).catch(() => undefined);
    });
  }
}
