import type { ShopBook } from '@odontis/contract/shop';

type Habits = ShopBook['habits'];

/** Something the shop has one way or another: the present way, and what each way changes in its book. */
export interface BookChoice {
  /** As it stands before the ways, and as it is read out. */
  readonly name: string;
  readonly label: string;
  readonly ways: readonly { readonly says: string; readonly chosen: boolean; readonly change: Partial<ShopBook> }[];
}

function choice<V extends string | boolean>(
  [name, label]: readonly [name: string, label: string],
  present: V,
  ways: readonly (readonly [way: V, says: string])[],
  change: (way: V) => Partial<ShopBook>,
): BookChoice {
  return { name, label, ways: ways.map(([way, says]) => ({ says, chosen: way === present, change: change(way) })) };
}

/** How numbers are said. */
export const speechChoices = (book: ShopBook): BookChoice[] => [
  choice(
    ['Small lengths', 'Small lengths'],
    book.lengthUnit,
    [
      ['thou', 'thou'],
      ['mm', 'mm'],
    ],
    (lengthUnit) => ({ lengthUnit }),
  ),
  choice(
    ['To the inch', 'To the inch'],
    book.pointConvention,
    [
      ['points', 'points'],
      ['teeth', 'teeth'],
    ],
    (pointConvention) => ({ pointConvention }),
  ),
  choice(
    ['A face leaning back 15°', 'How rake is said'],
    book.rakeSpeech,
    [
      ['lean-back', '“15”'],
      ['signed', '“−15”'],
    ],
    (rakeSpeech) => ({ rakeSpeech }),
  ),
  choice(
    ['Fleam of 25°', 'How fleam is said'],
    book.fleamSpeech,
    [
      ['off-square', '“25”'],
      ['to-plate', '“65 to the plate”'],
    ],
    (fleamSpeech) => ({ fleamSpeech }),
  ),
];

/** Where filers disagree at the line and in the gullet. */
export function filingChoices({ habits }: ShopBook): BookChoice[] {
  const habit = (change: Partial<Habits>): Partial<ShopBook> => ({ habits: { ...habits, ...change } });
  return [
    choice(
      ['Crosscut: file', 'Crosscut file direction'],
      habits.fileDirection,
      [
        ['face-of-away', 'face of the tooth leaning away, to the toe'],
        ['back-of-away', 'its back, to the handle'],
      ],
      (fileDirection) => habit({ fileDirection }),
    ),
    choice(
      ['Between strokes', 'Between strokes'],
      habits.betweenStrokes,
      [
        ['lift', 'lift clear'],
        ['draw-back', 'draw back lightly'],
      ],
      (betweenStrokes) => habit({ betweenStrokes }),
    ),
    choice(
      ['Begin at', 'Begin at'],
      habits.startAt,
      [
        ['heel', 'heel'],
        ['toe', 'toe'],
      ],
      (startAt) => habit({ startAt }),
    ),
    choice(
      ['Set', 'Set before or after filing'],
      habits.setOrder,
      [
        ['before-filing', 'before the last filing'],
        ['after-filing', 'after it'],
      ],
      (setOrder) => habit({ setOrder }),
    ),
    choice(
      ['Rakers’ tips', 'Rakers’ tips'],
      habits.rakerTips ?? 'straight',
      [
        ['straight', 'straight'],
        ['swaged', 'swaged'],
      ],
      (rakerTips) => habit({ rakerTips }),
    ),
  ];
}

/** Where filers disagree about whole saws. */
export const sawChoices = (book: ShopBook): BookChoice[] => [
  choice(
    ['Bands', 'Bands'],
    book.habits.bandJoint ?? 'never',
    [
      ['never', 'never jointed, but where the line has gone'],
      ['lightly', 'jointed lightly every time'],
    ],
    (bandJoint) => ({ habits: { ...book.habits, bandJoint } }),
  ),
  choice(
    ['Pull saws with soft teeth', 'Pull saws with soft teeth'],
    book.filesPullSaws ?? true,
    [
      [true, 'file them'],
      [false, 'decline, sell a blade'],
    ],
    (filesPullSaws) => ({ filesPullSaws }),
  ),
];
