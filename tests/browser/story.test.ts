import { inject, test } from 'vitest';
import { tellStory } from './story';

test('an instructor plans and offers, a student clicks and takes, and it shows where students look', () =>
  tellStory({ pembit: inject('pembitUrl'), standins: inject('standinsUrl') }));
