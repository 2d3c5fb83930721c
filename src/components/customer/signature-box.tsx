'use client';

import { useRef } from 'react';
import { useWords } from '../words/words';
import { Button } from '../ui/form';

interface Props {
  readonly path: string;
  readonly onChange: (path: string) => void;
}

/** A box to sign in with finger, pen or mouse; by keyboard the typed name may stand for it. */
export function SignatureBox({ path, onChange }: Props) {
  const { say } = useWords();
  const isDown = useRef(false);
  const at = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return `${(((event.clientX - box.left) / box.width) * 320).toFixed(1)} ${(((event.clientY - box.top) / box.height) * 120).toFixed(1)}`;
  };
  const isTyped = path === 'typed';
  return (
    <div>
      <svg
        viewBox="0 0 320 120"
        role="img"
        aria-label={say(isTyped ? 'sign.typed' : path ? 'sign.signed' : 'sign.box')}
        className="w-full touch-none border border-ink bg-sheet"
        onPointerDown={(event) => {
          isDown.current = true;
          event.currentTarget.setPointerCapture(event.pointerId);
          onChange(`${isTyped ? '' : path}M${at(event)}`);
        }}
        onPointerMove={(event) => isDown.current && path.length < 29_000 && onChange(`${path}L${at(event)}`)}
        onPointerUp={() => (isDown.current = false)}
      >
        <line x1={20} x2={300} y1={96} y2={96} stroke="var(--line)" />
        {path.startsWith('M') && (
          <path
            d={path}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.4}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        )}
        {isTyped && (
          <text x={160} y={88} textAnchor="middle" fontSize={17} fill="var(--ink)">
            {say('sign.byName')}
          </text>
        )}
      </svg>
      <div className="flex flex-wrap gap-2">
        <Button tone="quiet" onClick={() => onChange('')}>
          {say('sign.clear')}
        </Button>
        <Button tone="quiet" onClick={() => onChange('typed')}>
          {say('sign.use')}
        </Button>
      </div>
    </div>
  );
}
