/** Uploads photos one by one under ids made here, so that one sent twice is stored once. */
import type { Problem } from '@keen/core';
import { useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { selectOpen } from '../project/selectors.ts';

export interface SentPhoto {
  readonly id: string;
  readonly name: string;
  /** Kept until stored: a failed upload is sent again without selecting the file again. */
  readonly file: File;
  readonly state: 'sending' | 'kept' | 'refused';
  readonly problem?: Problem;
}

export const photoAddress = (project: string, photo: string, size: 'full' | 'small'): string =>
  `/api/projects/${project}/photos/${photo}${size === 'small' ? '/small' : ''}`;

const AWAY: Problem = {
  code: 'away',
  message: 'the server does not answer: the picture is not kept',
  where: 'picture',
  accepted: 'send it again when the desk is back',
};

export function usePhotos() {
  const { id: project } = useAppSelector(selectOpen);
  const [photos, setPhotos] = useState<readonly SentPhoto[]>([]);
  const mark = (id: string, more: Partial<SentPhoto>): void => setPhotos((old) => old.map((photo) => (photo.id === id ? { ...photo, ...more } : photo)));
  const sendOne = async (id: string, file: File): Promise<void> => {
    try {
      const answer = await fetch(photoAddress(project, id, 'full'), { method: 'PUT', headers: { 'Content-Type': 'application/octet-stream' }, body: file });
      if (answer.ok) mark(id, { state: 'kept' });
      else mark(id, { state: 'refused', problem: (await answer.json()) as Problem });
    } catch {
      mark(id, { state: 'refused', problem: AWAY });
    }
  };
  return {
    photos,
    kept: photos.filter(({ state }) => state === 'kept').map(({ id }) => id),
    sending: photos.some(({ state }) => state === 'sending'),
    send: (files: Iterable<File>): void => {
      for (const file of files) {
        const id = crypto.randomUUID();
        setPhotos((old) => [...old, { id, name: file.name, file, state: 'sending' }]);
        void sendOne(id, file);
      }
    },
    /** Under the same id: one that was stored after all is not stored twice. */
    again: ({ id, file }: SentPhoto): void => {
      mark(id, { state: 'sending' });
      void sendOne(id, file);
    },
    drop: ({ id }: SentPhoto): void => setPhotos((old) => old.filter((photo) => photo.id !== id)),
    clear: () => setPhotos([]),
  };
}
