import type { Routes } from '@angular/router';
import { StartComponent } from './designs-screen/start.component';

/** One screen an address; a design's screens share the loaded design. */
export const routes: Routes = [
  { path: '', component: StartComponent, title: 'Hashira' },
  {
    path: 'designs',
    title: 'Designs · Hashira',
    loadComponent: () =>
      import('./designs-screen/designs-screen.component').then((m) => m.DesignsScreenComponent),
  },
  {
    path: 'designs/new',
    title: 'New design · Hashira',
    loadComponent: () => import('./designs-screen/new-design.component').then((m) => m.NewDesignComponent),
  },
  {
    path: 'designs/:id',
    loadComponent: () => import('./workspace/workspace.component').then((m) => m.WorkspaceComponent),
    children: [
      {
        path: '',
        title: 'Design · Hashira',
        loadComponent: () =>
          import('./design-screen/design-screen.component').then((m) => m.DesignScreenComponent),
      },
      {
        path: 'compare',
        title: 'Comparison · Hashira',
        loadComponent: () =>
          import('./comparison-screen/comparison-screen.component').then((m) => m.ComparisonScreenComponent),
      },
      {
        path: 'record',
        title: 'Record · Hashira',
        loadComponent: () =>
          import('./record-screen/record-screen.component').then((m) => m.RecordScreenComponent),
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
