import type { Role } from '@odontis/contract/roles';

/** The demo shop's people: all made up, of many origins. */
export const SHOP_NAME = 'Skerrow Saw Works';

export const STAFF: readonly { name: string; initials: string; role: Role }[] = [
  { name: 'Maren Skerrow', initials: 'MS', role: 'owner' },
  { name: 'Idris Okonjo', initials: 'IO', role: 'filer' },
  { name: 'Tove Hallam', initials: 'TH', role: 'filer' },
];

export const CUSTOMERS: readonly (readonly [name: string, phone: string, useRate: 'daily' | 'weekly' | 'seldom'])[] = [
  ['Quayside Boatyard', '0555 210 114', 'daily'],
  ['Ansel Varga, violin maker', '0555 214 870', 'daily'],
  ['High Fell Trail Crew', '0555 233 061', 'weekly'],
  ['Lantern Theatre scene shop', '0555 219 400', 'daily'],
  ['Harbour Street School', '0555 210 777', 'weekly'],
  ['Morrowdale Estate Sawmill', '0555 240 052', 'daily'],
  ['Adaeze Nwokolo', '0555 216 031', 'seldom'],
  ['Bram Teunissen', '0555 218 226', 'seldom'],
  ['Chiara Bellomo', '0555 212 908', 'weekly'],
  ['Dariush Pourmand', '0555 217 415', 'seldom'],
  ['Eilidh Strachan', '0555 213 549', 'seldom'],
  ['Farouk Benali', '0555 219 962', 'weekly'],
  ['Greta Lindqvist', '0555 215 338', 'seldom'],
  ['Hiroto Amemiya', '0555 211 647', 'daily'],
  ['Ines Carvalhal', '0555 214 283', 'seldom'],
  ['Jonah Pettibone', '0555 218 751', 'seldom'],
  ['Katarzyna Wilk', '0555 216 194', 'weekly'],
  ['Leilani Kahale', '0555 212 375', 'seldom'],
  ['Mateus Figueira', '0555 217 820', 'seldom'],
  ['Nadia Rostami', '0555 213 066', 'seldom'],
  ['Oisín Tuohy', '0555 219 513', 'weekly'],
  ['Priya Raghunath', '0555 215 947', 'seldom'],
  ['Quillon Marsh', '0555 211 282', 'seldom'],
  ['Runa Sveinsdóttir', '0555 214 639', 'seldom'],
  ['Søren Ibsgaard', '0555 218 170', 'weekly'],
  ['Tamsin Orchard', '0555 216 408', 'seldom'],
  ['Ulrike Brandtner', '0555 212 754', 'seldom'],
  ['Viktor Hrušovský', '0555 217 093', 'seldom'],
  ['Wanjiru Maina', '0555 213 821', 'weekly'],
  ['Xiulan Feng', '0555 219 256', 'seldom'],
  ['Yusuf Demirci', '0555 215 612', 'seldom'],
  ['Zofia Grabiec', '0555 211 985', 'seldom'],
  ['Northquay Joinery', '0555 240 310', 'daily'],
  ['Three Larches Cabinet Shop', '0555 240 688', 'daily'],
  ['Amara Celik', '0555 214 017', 'seldom'],
  ['Boyd Fennimore', '0555 218 543', 'seldom'],
  ['Celestine Abara', '0555 216 872', 'seldom'],
  ['Dov Rimmon', '0555 212 139', 'seldom'],
  ['Elif Karatay', '0555 217 366', 'weekly'],
  ['Tidewater Model Railway Club', '0555 233 590', 'seldom'],
];

export const COMPLAINTS: readonly string[] = [
  'Wanders to the left after an inch.',
  'Dull; needs leaning on.',
  'Binds in wet oak.',
  'Bought at a sale, never sharpened by us.',
  'Jumps at the start of the cut.',
  'The usual sharpening, please.',
  'Tears the far side of the cut.',
  'Hit a nail near the toe.',
];

export const REFUSALS: readonly { complaint: string; hardened: 'yes' | 'no'; mark: 'crack' | 'bent-back' | null }[] = [
  { complaint: 'Stopped cutting after years in the van.', hardened: 'yes', mark: null },
  { complaint: 'Found in the shed.', hardened: 'no', mark: 'crack' },
  { complaint: 'Dropped from the bench.', hardened: 'no', mark: 'bent-back' },
  { complaint: 'A gift; the teeth look blue.', hardened: 'yes', mark: null },
];
