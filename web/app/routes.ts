import type { Routes } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as rackEffects from './features/rack/state/rack.effects';
import { rackFeature } from './features/rack/state/rack.feature';
import * as ticketEffects from './shared/state/ticket.effects';
import { ticketFeature } from './shared/state/ticket.feature';

/** The only place that knows every feature. A ticket's stages share its page and its state. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'rack' },
  {
    path: 'rack',
    title: 'Rack · Odontis',
    providers: [provideState(rackFeature), provideEffects(rackEffects)],
    loadComponent: () => import('./features/rack/ui/rack-page').then((m) => m.RackPage),
  },
  {
    path: 'counter',
    title: 'Counter · Odontis',
    loadComponent: () => import('./features/counter/ui/counter-page').then((m) => m.CounterPage),
  },
  {
    path: 'ledger',
    title: 'Ledger · Odontis',
    loadComponent: () => import('./features/ledger/ui/ledger-page').then((m) => m.LedgerPage),
  },
  {
    path: 'ledger/:id',
    title: 'Customer · Odontis',
    loadComponent: () => import('./features/ledger/ui/customer-page').then((m) => m.CustomerPage),
  },
  {
    path: 'backroom',
    title: 'Back room · Odontis',
    loadComponent: () => import('./features/backroom/ui/backroom-page').then((m) => m.BackroomPage),
  },
  {
    path: 'people',
    title: 'People · Odontis',
    loadComponent: () => import('./features/people/ui/people-page').then((m) => m.PeoplePage),
  },
  {
    path: 'store',
    title: 'Store · Odontis',
    loadComponent: () => import('./features/store/ui/store-page').then((m) => m.StorePage),
  },
  {
    path: 'shopbook',
    title: 'Shop book · Odontis',
    loadComponent: () => import('./features/shopbook/ui/shopbook-page').then((m) => m.ShopbookPage),
  },
  {
    path: 'ticket/:id',
    providers: [provideState(ticketFeature), provideEffects(ticketEffects)],
    loadComponent: () => import('./sawpage/ticket-page').then((m) => m.TicketPage),
    children: [
      {
        path: 'measure',
        title: 'Measure · Odontis',
        loadComponent: () => import('./features/measure/ui/measure-page').then((m) => m.MeasurePage),
      },
      // The page of saws that were worked by hand: old addresses lead to what came after it.
      { path: 'job', redirectTo: 'plan' },
      {
        path: 'plan',
        title: 'Plan · Odontis',
        loadComponent: () => import('./features/plan/ui/plan-door').then((m) => m.PlanDoor),
      },
      {
        path: 'bench',
        title: 'Bench · Odontis',
        loadComponent: () => import('./features/bench/ui/bench-page').then((m) => m.BenchPage),
      },
      {
        path: 'check',
        title: 'Check · Odontis',
        loadComponent: () => import('./features/check/ui/check-page').then((m) => m.CheckPage),
      },
      {
        path: 'handover',
        title: 'Handover · Odontis',
        loadComponent: () => import('./features/handover/ui/handover-page').then((m) => m.HandoverPage),
      },
    ],
  },
  {
    path: '**',
    title: 'Not found · Odontis',
    loadComponent: () => import('./shared/ui/nowhere').then((m) => m.Nowhere),
  },
];
