'use client';
import { ThemeProvider } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { FocusKeeper } from '../controls/FocusKeeper';
import { theme } from './theme';

export const ThemeRoot = ({ children }: { children: ReactNode }) => (
  <ThemeProvider theme={theme}>
    {children}
    <FocusKeeper />
  </ThemeProvider>
);
