import { walkedSaw } from './walk';

console.log(
  walkedSaw()
    .map((line) => `> ${line}`)
    .join('\n>\n'),
);
