/** The level book: its readings set-up by set-up, and how it closes. */
import { type LevelBook } from '@katabasis/core';
import { LevelBookForm } from '../../parts/forms/LevelBookForm';
import type { ElementView } from '../view';

export const levelBookView: ElementView<LevelBook> = {
  Form: LevelBookForm,
  list: {
    group: 'levels',
    about: ({ readings }) => ({ about: `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}` }),
  },
};
