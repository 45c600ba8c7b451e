import { useLayoutEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { keepPanelWidth, PANEL, panelWidth, showPanelWidth } from './panelWidth';
import { t } from './words';

const STEP = 16;

/** The edge that a panel is made wider and narrower by, dragged or by the arrow keys. */
export function PanelEdge() {
  const [width, setWidth] = useState(panelWidth);
  const begun = useRef<{ x: number; width: number } | null>(null);

  useLayoutEffect(showPanelWidth, []);

  const now = (edge: HTMLElement) => width ?? edge.parentElement?.offsetWidth ?? PANEL.least;
  const become = (wanted: number | null) => setWidth(keepPanelWidth(wanted));

  function onPointerDown(event: PointerEvent<HTMLDivElement>) {
    begun.current = { x: event.clientX, width: now(event.currentTarget) };
    event.currentTarget.setPointerCapture(event.pointerId);
  }

  function onPointerMove(event: PointerEvent<HTMLDivElement>) {
    if (begun.current) become(begun.current.width + begun.current.x - event.clientX);
  }

  function onKeyDown(event: KeyboardEvent<HTMLDivElement>) {
    const steps: Record<string, number> = { ArrowLeft: STEP, ArrowRight: -STEP };
    const step = steps[event.key];
    if (step === undefined && event.key !== 'Home') return;
    event.preventDefault();
    become(step === undefined ? null : now(event.currentTarget) + step);
  }

  return (
    // a separator that can be moved is a widget: WAI-ARIA, "window splitter"
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label={t('panelEdge.width')}
      aria-valuemin={PANEL.least}
      aria-valuemax={PANEL.most}
      aria-valuenow={width ?? PANEL.usual}
      title={t('panelEdge.drag')}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      className="panel-edge no-print"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={() => (begun.current = null)}
      onDoubleClick={() => become(null)}
      onKeyDown={onKeyDown}
    />
  );
}
