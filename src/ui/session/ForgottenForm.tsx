'use client';
import { Link } from '@/ui/controls/Link';
import { signInTexts } from '@/core/texts/account';
import { passwordTexts } from '@/core/texts/passwords';
import { LetterForm } from '../controls/LetterForm';
import styles from './SignIn.module.css';

/** Asks for a letter with a link for a new password. */
export function ForgottenForm() {
  const { send, sent } = passwordTexts;
  return (
    <LetterForm
      path="/api/password-reset"
      words={{ email: signInTexts.email, send, sent }}
      className={styles.form}
    >
      <Link className="lone" href="/sign-in">
        {signInTexts.submit}
      </Link>
    </LetterForm>
  );
}
