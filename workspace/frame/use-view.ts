'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { channelMiddleYM } from '../../core/water/index';
import { openingCamera, wholeCamera, zoomed, type Camera } from '../../drawing/camera';
import { framed, onPaper, type Paper } from '../../drawing/framing';
import { useSize } from '../../drawing/use-size';
import { useWorkspace } from '../context';
import { spokenOf } from './spoken-of';

/** Before the page has been measured. */
const UNMEASURED: Paper = { width: 864, height: 432 };
const DESK_MARGINS = { top: 62, right: 96, bottom: 58, left: 44 };
const PHONE_MARGINS = { top: 58, right: 44, bottom: 58, left: 44 };
/** On a phone what is chosen is brought this near, px/m. */
const CLOSE_UP = 30;

/**
 * What of the beat is on the paper: opens on the channel, follows wheel and fingers, keeps its middle
 * when the paper changes, and brings into view what was just chosen.
 */
export function useView(phone: boolean) {
  const { beat, store } = useWorkspace();
  const [ref, measured] = useSize<HTMLDivElement>();
  const paper = measured.width > 0 ? measured : UNMEASURED;
  const middle = useMemo(() => channelMiddleYM(beat.plan), [beat.plan]);
  const [moved, setMoved] = useState<{ camera: Camera; paper: Paper } | null>(null);
  const opening = useMemo(
    () => openingCamera(beat.plan.lengthM, middle, paper.width, paper.height),
    [beat, middle, paper.width, paper.height],
  );
  const camera = useMemo(
    () => (moved ? onPaper(moved.camera, moved.paper, paper) : opening),
    [moved, opening, paper],
  );
  const now = useRef({ camera, paper });
  useEffect(() => {
    now.current = { camera, paper };
  });
  useEffect(() => {
    if (measured.height > 0) store.setState({ planHeightPx: measured.height });
  }, [store, measured.height]);

  const setCamera = useCallback((change: (c: Camera) => Camera) => {
    setMoved((was) => {
      const { camera: at, paper: on } = now.current;
      const from = was ? onPaper(was.camera, was.paper, on) : at;
      const next = change(from);
      return next === from ? was : { camera: next, paper: on };
    });
  }, []);

  useEffect(() => {
    if (measured.width === 0) return;
    const bring = (places: ReturnType<typeof spokenOf>['places']) =>
      setCamera((c) =>
        framed(
          c,
          now.current.paper,
          places,
          phone ? PHONE_MARGINS : DESK_MARGINS,
          phone ? CLOSE_UP : undefined,
        ),
      );
    let last = spokenOf(store.getState());
    bring(last.places);
    return store.subscribe((s, before) => {
      const next = spokenOf(s);
      if (next.key === last.key) return;
      last = next;
      // What a hand is moving, and has just let go, stays where the hand sees it.
      if (s.dragging === null && before.dragging === null) bring(next.places);
    });
  }, [store, phone, measured.width, setCamera]);

  return {
    ref,
    ...measured,
    camera,
    setCamera,
    zoom: (factor: number) =>
      setCamera((c) =>
        zoomed(c, factor, now.current.paper.width / 2, now.current.paper.height / 2),
      ),
    showAll: () =>
      setCamera(() =>
        wholeCamera(beat.plan.lengthM, middle, now.current.paper.width, now.current.paper.height),
      ),
  };
}

export type View = ReturnType<typeof useView>;
