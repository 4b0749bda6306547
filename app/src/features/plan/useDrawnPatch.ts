import type { Point, WeedPatch } from '@alfombra/core';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { keptFrom, movedDraft } from '@/state/draftStore';
import { newWeedPatchKey, type NewWeedPatch } from './weedPatchDraft';

/** The weed patch at hand: one of the plan, or one that a press has just begun. */
export function useDrawnPatch(lawnId: string, today: WeedPatch['seenOn']) {
  const key = newWeedPatchKey(`plan:${lawnId}`);
  // A patch that is half described is there again after a reload.
  const [patch, setPatch] = useState<NewWeedPatch | null>(
    () => keptFrom<NewWeedPatch>(key) ?? null,
  );
  const press = (zoneId: string, centre: Point) =>
    setPatch(
      // Half described and pressed elsewhere: the same patch, put right.
      movedDraft<object, NewWeedPatch>(key, { from: { zoneId, centre } }) ?? {
        id: uuid(),
        zoneId,
        plant: null,
        centre,
        // Nobody has said how large it is yet.
        lengthFt: Number.NaN,
        widthFt: Number.NaN,
        cover: Number.NaN,
        stage: '2-4-tiller',
        seenOn: today,
        lookAgainOn: null,
        asked: null,
      },
    );
  return { patch, setPatch, press };
}
