import type { HttpInterceptorFn } from '@angular/common/http';
import { PERSON_HEADER } from '@odontis/contract/problem';
import { rememberedPerson } from './remembered';

/** Every request says who is at the screen. */
export const personHeader: HttpInterceptorFn = (request, next) => {
  const person = rememberedPerson();
  return next(person === null ? request : request.clone({ setHeaders: { [PERSON_HEADER]: String(person) } }));
};
