import type { Routes } from '@angular/router';
import { StartComponent } from './designs/start.component';

/** One screen an address; a design's screens share the loaded design. */
export const routes: Routes = [
  { path: '', component: StartComponent, title: 'Hashira' },
  {
    path: 'designs',
    title: 'Designs · Hashira',
    loadComponent: () => import('./designs/designs-screen.component').then((m) => m.DesignsScreenComponent),
  },
  {
    path: 'designs/new',
    title: 'New design · Hashira',
    loadComponent: () => import('./designs/new-design.component').then((m) => m.NewDesignComponent),
  },
  {
    path: 'designs/:id',
    loadComponent: () => import('./shell/workspace.component').then((m) => m.WorkspaceComponent),
    children: [
      {
        path: '',
        title: 'Design · Hashira',
        loadComponent: () => import('./design/design-screen.component').then((m) => m.DesignScreenComponent),
      },
      {
        path: 'members',
        title: 'Members · Hashira',
        loadComponent: () =>
          import('./members/members-screen.component').then((m) => m.MembersScreenComponent),
      },
      {
        path: 'compare',
        title: 'Comparison · Hashira',
        loadComponent: () =>
          import('./comparison/comparison-screen.component').then((m) => m.ComparisonScreenComponent),
      },
      {
        path: 'record',
        title: 'Record · Hashira',
        loadComponent: () =>
          import('./revisions/revisions-screen.component').then((m) => m.RecordScreenComponent),
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
