import { inject } from 'vitest';

// Schools are opened by commands that measure as well, which know nothing of vitest.
process.env.PEMBIT_TEST_POSTGRES = inject('postgresUrl') ?? '';
