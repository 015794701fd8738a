'use client';
import Button from '@mui/material/Button';
import { signupTexts } from '@/core/texts/signup';
import { LetterForm } from '../controls/LetterForm';
import styles from './RunSheet.module.css';

const { own: say } = signupTexts;

/** Asks for a link to a sheet by mail, or leads to the sign-in page. */
export function LinkForm({ sheet }: { sheet: string }) {
  return (
    <LetterForm path={`/api/sheets/${sheet}/link`} words={say} className={`${styles.form} ${styles.ask}`}>
      <Button variant="outlined" href={`/sign-in?to=${encodeURIComponent(`/s/${sheet}`)}`}>
        {say.signIn}
      </Button>
    </LetterForm>
  );
}
