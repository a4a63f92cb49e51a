import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { startPicture, startingPoints, type StartingPoint } from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { DesignApi } from '../state/saving/design-api.service';
import { readDesignFile } from '../state/saving/design-file';

const size = { width: 300, height: 150 };

/** What a new design begins from: starting points drawn to scale, or a file. */
@Component({
  selector: 'app-new-design',
  imports: [RouterLink],
  templateUrl: './new-design.component.html',
  styleUrl: './new-design.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewDesignComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);

  protected readonly cards = startingPoints.map((start) => ({ start, picture: miniatureOf(start) }));
  protected readonly problem = signal('');
  protected readonly busy = signal(false);

  protected begin(start: StartingPoint): Promise<void> {
    return this.attempt(async () => {
      const titles = (await firstValueFrom(this.api.list())).map((design) => design.title);
      const design = start.design();
      let { title } = design;
      for (let n = 2; titles.includes(title); n++) title = `${design.title} ${n}`;
      await this.open({ ...design, title }, start.benched);
    });
  }

  protected import(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    return file ? this.attempt(async () => this.open(await readDesignFile(file))) : Promise.resolve();
  }

  private async open(document: unknown, benched?: string): Promise<void> {
    const stored = await firstValueFrom(this.api.create(document));
    if (benched === undefined) await this.router.navigate(['/designs', stored.id]);
    else
      await this.router.navigate(['/designs', stored.id, 'members'], {
        queryParams: { member: benched, bench: 1 },
      });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.busy.set(true);
    try {
      await work();
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.busy.set(false);
    }
  }
}

/** A starting point with its supports and loads, from the front or obliquely, as the address of a picture. */
const miniatureOf = (start: StartingPoint): string =>
  `data:image/svg+xml,${encodeURIComponent(startPicture(start.design(), size))}`;
