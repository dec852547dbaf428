import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { AtTheDoor, ChangeOver, DoorState, FirstOwner, SignIn } from '@odontis/contract/door';
import { firstOwner, signIn } from '@odontis/contract/door';
import { fieldErrors } from '@odontis/contract/field-errors';
import { PASSWORD_SIGNS } from '@odontis/contract/secrets';
import type { Refusal } from '../api/refusal';
import { ROLE_WORDS } from '../words/role-words';
import { Notice } from '../ui/notice';
import { CodePad } from './code-pad';
import { deviceHere } from './device-here';

/** The door: who comes in at this screen, by password, by code, or in the demo by a press. */
@Component({
  selector: 'od-door-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatButton, MatFormFieldModule, MatInput, Notice, CodePad],
  templateUrl: './door-page.html',
  styleUrl: './door-page.scss',
  // What is typed at the door is no key of the page behind it.
  host: { '(keydown)': '$event.stopPropagation()' },
})
export class DoorPage {
  readonly door = input.required<DoorState>();
  readonly busy = input(false);
  readonly refusal = input<Refusal | null>(null);
  /** Somebody is in and another is to take over: it can be left again. */
  readonly changing = input(false);
  readonly ownerMade = output<FirstOwner>();
  readonly signedIn = output<SignIn>();
  readonly demoEntered = output<number>();
  readonly changedOver = output<ChangeOver>();
  readonly locked = output();
  readonly signedOut = output();
  readonly back = output();
  protected readonly roleWords = ROLE_WORDS;
  protected readonly least = PASSWORD_SIGNS.least;
  protected readonly name = signal('');
  protected readonly initials = signal('');
  protected readonly password = signal('');
  protected readonly device = signal(deviceHere());
  protected readonly slip = signal<string | null>(null);
  /** Who is to say who they are; where there is one alone, they. */
  protected readonly chosen = linkedSignal<AtTheDoor | null>(() => {
    const { state, people, demo } = this.door();
    const [one] = people;
    return state === 'locked' && !demo && people.length === 1 && one ? one : null;
  });
  protected readonly heading = computed(() => {
    if (this.changing()) return 'Who takes over?';
    const { state, demo } = this.door();
    if (state === 'first') return 'Open this shop';
    if (state === 'locked') return 'Who is at the screen?';
    return demo ? 'A shop to look at' : 'Sign in';
  });

  constructor() {
    // What was wrong is typed anew.
    effect(() => {
      if (this.refusal()) this.password.set('');
    });
  }

  protected choose(one: AtTheDoor): void {
    if (one.opensBy === 'press') this.demoEntered.emit(one.id);
    else this.chosen.set(one);
  }

  protected coded(secret: string): void {
    const one = this.chosen();
    if (one && secret !== '') this.changedOver.emit({ personId: one.id, secret });
  }

  protected takeName(one: AtTheDoor): void {
    this.name.set(one.name);
    this.initials.set(one.initials);
  }

  protected submitFirst(): void {
    const told = firstOwner.safeParse({
      name: this.name(),
      initials: this.initials(),
      password: this.password(),
      device: this.device(),
    });
    this.slip.set(told.success ? null : (fieldErrors(told.error)[0]?.message ?? null));
    if (told.success) this.ownerMade.emit(told.data);
  }

  protected submitSignIn(): void {
    const told = signIn.safeParse({ name: this.name(), password: this.password(), device: this.device() });
    this.slip.set(told.success ? null : (fieldErrors(told.error)[0]?.message ?? null));
    if (told.success) this.signedIn.emit(told.data);
  }
}
