import { endWith } from './say';
import { buildWeb } from './web-build';

try {
  buildWeb();
} catch (error) {
  endWith(error);
}
