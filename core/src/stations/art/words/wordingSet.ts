/** How much a line weighs: the one that is read first, what it says, and what comes with it. */
export type Weight = 'large' | 'plain' | 'small';

export interface Wording {
  readonly id: string;
  readonly name: string;
  readonly occasion: string;
  readonly lines: readonly (readonly [Weight, string])[];
}

/**
 * Words to begin with, by occasion, most of them short and long; whatever stands in braces can come from a list of names.
 */
export const WORDINGS: readonly Wording[] = [
  {
    id: 'birthday',
    occasion: 'Birthday',
    name: 'Another lap of the bay',
    lines: [
      ['small', 'another lap of the bay'],
      ['large', 'Happy Birthday'],
      ['plain', 'may the wind be kind'],
    ],
  },
  {
    id: 'birthday-short',
    occasion: 'Birthday',
    name: 'One line',
    lines: [['large', 'Happy Birthday']],
  },
  {
    id: 'birthday-name',
    occasion: 'Birthday',
    name: 'To somebody by name',
    lines: [
      ['small', 'a very happy day to'],
      ['large', '{name}'],
      ['plain', 'with love from all of us'],
    ],
  },
  {
    id: 'party',
    occasion: 'A child’s party',
    name: 'Come as a crab',
    lines: [
      ['small', '{name}, you are asked to a'],
      ['large', 'Birthday Party'],
      ['plain', 'Saturday, from two until the cake is gone'],
      ['plain', 'dressed for the beach, come what may'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'party-short',
    occasion: 'A child’s party',
    name: 'Short',
    lines: [
      ['large', 'Party!'],
      ['plain', 'Saturday at two'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'age',
    occasion: 'Coming of age',
    name: 'All grown up, nearly',
    lines: [
      ['small', 'the tide has turned'],
      ['large', 'Eighteen'],
      ['plain', 'The boat is yours to steer now.'],
      ['plain', 'We shall wave, and keep the kettle on.'],
    ],
  },
  {
    id: 'age-short',
    occasion: 'Coming of age',
    name: 'Short',
    lines: [
      ['large', 'Eighteen!'],
      ['plain', 'mind how you go, and go'],
    ],
  },
  {
    id: 'thanks',
    occasion: 'Thank you',
    name: 'A plain thank you',
    lines: [
      ['large', 'Thank You'],
      ['plain', 'for everything, and for the cake'],
    ],
  },
  {
    id: 'thanks-inside',
    occasion: 'Thank you',
    name: 'Inside: what it meant',
    lines: [
      ['plain', 'Dear {name},'],
      ['plain', 'thank you so much for'],
      ['large', 'your kindness'],
      ['small', 'It made all the difference.'],
    ],
  },
  {
    id: 'supper',
    occasion: 'Invitation',
    name: 'A supper by lantern light',
    lines: [
      ['small', 'please come to'],
      ['large', 'Supper'],
      ['plain', 'Saturday, seven o’clock'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'supper-name',
    occasion: 'Invitation',
    name: 'By name',
    lines: [
      ['small', 'we would so like it if'],
      ['large', '{name}'],
      ['plain', 'would join us at the long table'],
      ['small', 'Saturday, seven o’clock'],
    ],
  },
  {
    id: 'wedding',
    occasion: 'Wedding',
    name: 'Two names and a day',
    lines: [
      ['small', 'with all who love them round about'],
      ['large', 'Ines & Tobit'],
      ['plain', 'will be married at noon'],
      ['plain', 'on Saturday the fifth of June'],
      ['plain', 'with dancing after'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'wedding-short',
    occasion: 'Wedding',
    name: 'Keep the day free',
    lines: [
      ['large', 'Ines & Tobit'],
      ['plain', 'are getting married'],
      ['small', 'keep Saturday the fifth of June'],
    ],
  },
  {
    id: 'wedding-wish',
    occasion: 'Wedding',
    name: 'Wishing them well',
    lines: [
      ['small', 'to the two of you'],
      ['large', 'Every Happiness'],
      ['plain', 'fair weather, and a harbour when it is not'],
    ],
  },
  {
    id: 'anniversary',
    occasion: 'Anniversary',
    name: 'Years together',
    lines: [
      ['small', 'so many summers, one garden gate'],
      ['large', 'Happy Anniversary'],
      ['plain', 'You still laugh at each other’s jokes.'],
      ['plain', 'Long may you.'],
    ],
  },
  {
    id: 'anniversary-short',
    occasion: 'Anniversary',
    name: 'Short',
    lines: [
      ['large', 'Still You Two'],
      ['plain', 'happy anniversary'],
    ],
  },
  {
    id: 'baby',
    occasion: 'New arrival',
    name: 'Hello, little one',
    lines: [
      ['small', 'hello'],
      ['large', 'Little One'],
      ['plain', 'we have been looking forward to you'],
    ],
  },
  {
    id: 'baby-here',
    occasion: 'New arrival',
    name: 'Telling everyone',
    lines: [
      ['small', 'small, loud and entirely welcome'],
      ['large', '{name}'],
      ['plain', 'came in on the morning tide'],
      ['small', 'and is asleep, for now'],
    ],
  },
  {
    id: 'naming',
    occasion: 'Naming day',
    name: 'Come and hear the name',
    lines: [
      ['small', 'we have found a name, come and hear it'],
      ['large', 'A Naming Day'],
      ['plain', 'Sunday at eleven, under the apple tree'],
      ['plain', 'with tea, and a wish from each of you'],
      ['small', '{place}'],
    ],
  },
  {
    id: 'naming-short',
    occasion: 'Naming day',
    name: 'Short',
    lines: [
      ['large', '{name}'],
      ['plain', 'welcome to your name'],
    ],
  },
  {
    id: 'home',
    occasion: 'New home',
    name: 'We have moved',
    lines: [
      ['small', 'the kettle is unpacked'],
      ['large', 'We Have Moved'],
      ['plain', '{place}'],
    ],
  },
  {
    id: 'home-wish',
    occasion: 'New home',
    name: 'To those who moved',
    lines: [
      ['small', 'new door, new key'],
      ['large', 'Happy New Home'],
      ['plain', 'May the roof hold'],
      ['plain', 'and the boxes empty themselves.'],
    ],
  },
  {
    id: 'retire',
    occasion: 'Retirement',
    name: 'No more Mondays',
    lines: [
      ['small', 'no more Mondays'],
      ['large', 'Well Earned'],
      ['plain', 'You taught us how it is done,'],
      ['plain', 'and when to stop for tea.'],
      ['plain', 'Go and do nothing, beautifully.'],
    ],
  },
  {
    id: 'retire-short',
    occasion: 'Retirement',
    name: 'Short',
    lines: [
      ['large', 'Down Tools'],
      ['plain', 'and thank you'],
    ],
  },
  {
    id: 'well',
    occasion: 'Get well',
    name: 'Calmer water',
    lines: [
      ['large', 'Calmer Water'],
      ['plain', 'soon, and until then plenty of soup'],
    ],
  },
  {
    id: 'well-long',
    occasion: 'Get well',
    name: 'With something to do',
    lines: [
      ['small', 'stay in bed, that is an order'],
      ['large', 'Get Well Soon'],
      ['plain', 'The garden is watered. The cat is fed.'],
      ['plain', 'All else can wait, and so can we.'],
    ],
  },
  {
    id: 'sorry',
    occasion: 'Sympathy',
    name: 'Thinking of you',
    lines: [
      ['small', 'with all our hearts we are'],
      ['large', 'Thinking of You'],
    ],
  },
  {
    id: 'sorry-long',
    occasion: 'Sympathy',
    name: 'A few quiet lines',
    lines: [
      ['small', 'there are no right words'],
      ['large', 'We Are Here'],
      ['plain', 'We remember, and are glad we can.'],
      ['plain', 'For company, or soup, or quiet: ring.'],
    ],
  },
  {
    id: 'reply',
    occasion: 'Reply card',
    name: 'Yes or no, with a line to write on',
    lines: [
      ['large', 'Will You Come?'],
      ['plain', 'Name . . . . . . . . . . . . . .'],
      ['plain', 'O  yes, with pleasure'],
      ['plain', 'O  no, with regret'],
      ['small', 'please tell us by the first of May'],
    ],
  },
  {
    id: 'reply-short',
    occasion: 'Reply card',
    name: 'Short',
    lines: [
      ['large', 'Yes / No'],
      ['plain', '{name}'],
      ['small', 'by the first of May, please'],
    ],
  },
  {
    id: 'winter',
    occasion: 'Winter',
    name: 'Lights in the harbour',
    lines: [
      ['small', 'the lights are up in the harbour'],
      ['large', 'Warm Winter Wishes'],
      ['plain', 'from our door to yours'],
    ],
  },
  {
    id: 'winter-short',
    occasion: 'Winter',
    name: 'Short',
    lines: [
      ['large', 'Happy New Year'],
      ['plain', 'and a warm stove'],
    ],
  },
  {
    id: 'hello',
    occasion: 'For no reason',
    name: 'Just a wave',
    lines: [
      ['large', 'Just a Wave'],
      ['plain', 'to say we miss you'],
    ],
  },
  {
    id: 'luck',
    occasion: 'Good luck',
    name: 'Fair winds',
    lines: [
      ['large', 'Fair Winds'],
      ['plain', 'we are all on the quay, cheering'],
    ],
  },
  {
    id: 'luck-long',
    occasion: 'Good luck',
    name: 'The night before',
    lines: [
      ['small', 'tomorrow is the day'],
      ['large', 'Good Luck'],
      ['plain', 'You have done the work; let it carry you.'],
      ['plain', 'Ring us after, whatever happens.'],
    ],
  },
  {
    id: 'place',
    occasion: 'Place card',
    name: 'A name and a table',
    lines: [
      ['large', '{name}'],
      ['small', 'table {table}'],
    ],
  },
  {
    id: 'voucher',
    occasion: 'Voucher',
    name: 'Good for one',
    lines: [
      ['small', 'this is good for'],
      ['large', 'One Boat Trip'],
      ['plain', 'round the lighthouse and home for tea'],
      ['small', 'ask at the net loft'],
    ],
  },
];

/** What they are for, each once, in their order. */
export const OCCASIONS: readonly string[] = [...new Set(WORDINGS.map(({ occasion }) => occasion))];
