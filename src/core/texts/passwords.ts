/** Words of passwords, of new ones by mail, and of the second step of signing in. */
export const passwordTexts = {
  title: 'Password',
  short: (n: number) => `At least ${n} characters.`,
  common: 'This is one of the passwords that are tried first. Choose a few words that nobody would guess.',
  current: 'Present password',
  wrongCurrent: 'This is not your present password.',
  chosen: 'New password',
  hint: 'At least 12 characters; a few words are good',
  change: 'Change the password',
  changed: 'Changed your password. You are signed out on every other device.',
  forgotten: 'I have forgotten my password',
  ask: 'A letter brings a link with which you choose a new one.',
  send: 'Send the link',
  sent: 'If somebody has this address here, a letter is on its way. Its link works once, for 30 minutes.',
  resetSubject: 'A new password for Pembit',
  reset: (name: string, link: string) =>
    `Hello ${name},\n\nsomebody, most likely you, has asked for a new password. Choose one here:\n\n${link}\n\nThe link works once and holds for 30 minutes. If it was not you, do nothing: your password stays.\n`,
  resetTitle: 'A new password',
  resetLead: (name: string, email: string) => `${name}, choose a new password for ${email}.`,
  step: 'Second step',
  stepLead:
    'With it, signing in also asks for a code that an authenticator on your phone shows. Whoever learns your password cannot sign in with it alone.',
  stepOwed:
    'Your school asks everybody who teaches or administers for a second step of signing in. Set it up here; then all the rest opens.',
  stepIsOn: 'It is on: signing in asks for a code.',
  stepBegin: 'Set up a second step',
  stepScan:
    'Photograph this with an authenticator (TOTP), or type the key into it. Then type the code it shows.',
  stepKey: 'Key',
  stepPicture: 'A picture of the key, for an authenticator',
  code: 'Code',
  codeHint: 'Six digits, or a recovery code',
  stepConfirm: 'Turn the second step on',
  stepOn: 'Turned the second step on.',
  stepOff: 'Turn the second step off',
  stepTurnedOff: 'Turned the second step off.',
  recovery:
    'Write these down: each replaces the code once, when the phone is lost. They are shown this one time.',
} as const;
