'use client';
import PlayIcon from '@mui/icons-material/PlayCircleOutlined';
import PictureIcon from '@mui/icons-material/ImageOutlined';
import type { ReactNode } from 'react';
import { createContext, useContext, useState } from 'react';
import type { InPlace } from '@/core/materials/shownInPlace';
import { fileTexts as say } from '@/core/texts/files';
import styles from './PlayHere.module.css';

const FilesContext = createContext<Readonly<Record<string, InPlace>>>({});

/** What of the links below plays or shows in place. */
export function FilesInPlace({
  files,
  children,
}: {
  files: Readonly<Record<string, InPlace>>;
  children: ReactNode;
}) {
  return <FilesContext value={files}>{children}</FilesContext>;
}

/** Beside a link: plays its recording, or shows its picture, where it stands. Nothing is fetched before. */
export function PlayHere({ url, label }: { url: string; label: string }) {
  const [open, setOpen] = useState(false);
  const file = useContext(FilesContext)[url];
  if (!file) return null;
  const Icon = file.as === 'picture' ? PictureIcon : PlayIcon;
  const act = open ? say.hideHere : file.as === 'picture' ? say.showHere : say.playHere;
  return (
    <>
      <button
        type="button"
        className={styles.button}
        aria-expanded={open}
        aria-label={`${act}: ${label}`}
        onClick={() => setOpen(!open)}
      >
        <Icon className={styles.icon} /> {act}
      </button>
      {open ? <Shown url={url} label={label} file={file} /> : null}
    </>
  );
}

function Shown({ url, label, file }: { url: string; label: string; file: InPlace }) {
  if (file.as === 'picture')
    // eslint-disable-next-line @next/next/no-img-element -- of no known size, and nobody's first view
    return <img className={styles.shown} src={url} alt={label} />;
  if (file.as === 'audio') return <Sound url={url} label={label} captions={file.captions} />;
  return (
    <video className={styles.shown} src={url} controls autoPlay playsInline aria-label={label}>
      {file.captions ? <track kind="captions" src={file.captions} label={say.captions} default /> : null}
    </video>
  );
}

/** Sound, with its captions below it: a player without a picture draws none. */
function Sound({ url, label, captions }: { url: string; label: string; captions?: string }) {
  const [said, setSaid] = useState('');
  const follow = (element: HTMLAudioElement | null) => {
    const track = element?.textTracks[0];
    if (!track) return;
    track.mode = 'hidden';
    track.oncuechange = () =>
      setSaid([...(track.activeCues ?? [])].map((cue) => (cue as VTTCue).text).join(' '));
  };
  return (
    <>
      <audio ref={follow} className={styles.shown} src={url} controls autoPlay aria-label={label}>
        {captions ? <track kind="captions" src={captions} label={say.captions} default /> : null}
      </audio>
      {captions ? <p className={styles.said}>{said}</p> : null}
    </>
  );
}
