import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Store } from '@ngrx/store';
import type { Person, PersonChange } from '@odontis/contract/people';
import { newPerson } from '@odontis/contract/people';
import type { Role } from '@odontis/contract/roles';
import { ROLES } from '@odontis/contract/roles';
import type { Observable } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { doorFeature } from '../../../shared/state/door.feature';
import { shopFeature, ShopPage } from '../../../shared/state/shop.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { ROLE_WORDS } from '../../../shared/words/role-words';
import { ChangesPanel } from './changes-panel';
import { DevicesPanel } from './devices-panel';
import { PersonCard } from './person-card';
import { SecretForm } from './secret-form';

/** Everybody of the shop: their hands, what they do here, how they come in, and at which screens. */
@Component({
  selector: 'od-people-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatFormFieldModule,
    MatInput,
    MatSelectModule,
    ChangesPanel,
    DevicesPanel,
    Notice,
    PersonCard,
    SecretForm,
  ],
  templateUrl: './people-page.html',
  styleUrl: './people-page.scss',
})
export class PeoplePage {
  private readonly store = inject(Store);
  private readonly api = inject(ShopApi);
  protected readonly people = this.store.selectSignal(shopFeature.selectPeople);
  protected readonly own = this.store.selectSignal(shopFeature.selectPerson);
  protected readonly asOwner = this.store.selectSignal(doorFeature.selectIsOwner);
  protected readonly present = computed(() => this.people().filter((p) => p.here));
  protected readonly gone = computed(() => this.people().filter((p) => !p.here));
  protected readonly roles = ROLES;
  protected readonly roleWords = ROLE_WORDS;
  protected readonly role = signal<Role>('filer');
  protected readonly slip = signal<string | null>(null);
  /** Whose password an owner is choosing. */
  protected readonly choosing = signal<number | null>(null);

  constructor() {
    inject(Keys).here.set([]);
  }

  protected kept(people: Person[]): void {
    this.choosing.set(null);
    this.store.dispatch(ShopPage.peopleChanged({ people }));
  }

  protected change(id: number, change: PersonChange): void {
    this.send(this.api.changePerson(id, change));
  }

  protected add(form: HTMLFormElement): void {
    const data = new FormData(form);
    const person = newPerson.safeParse({ name: data.get('name'), initials: data.get('initials'), role: this.role() });
    if (!person.success) this.slip.set(person.error.issues[0]?.message ?? null);
    else this.send(this.api.addPerson(person.data), form);
  }

  private send(call: Observable<Person[]>, form?: HTMLFormElement): void {
    this.slip.set(null);
    call.subscribe({
      next: (people) => {
        this.kept(people);
        form?.reset();
      },
      error: (error: unknown) => this.slip.set(toRefusal(error).detail),
    });
  }
}
