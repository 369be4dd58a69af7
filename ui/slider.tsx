'use client';

import { Slider as ChakraSlider, VisuallyHidden } from '@chakra-ui/react';

/** One figure between two ends: dragged, or by arrow keys, Home and End. */
export function Slider({
  label,
  value,
  min,
  max,
  step,
  text,
  disabled = false,
  upright = false,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  /** The figure in words. */
  text: string;
  disabled?: boolean;
  upright?: boolean;
  onChange: (value: number) => void;
}) {
  return (
    <ChakraSlider.Root
      min={min}
      max={max}
      step={step}
      value={[Math.min(max, Math.max(min, value))]}
      disabled={disabled}
      orientation={upright ? 'vertical' : 'horizontal'}
      getAriaValueText={() => text}
      onValueChange={(e) => {
        const next = e.value[0];
        if (next !== undefined && next !== value) onChange(next);
      }}
    >
      <VisuallyHidden>
        <ChakraSlider.Label>{label}</ChakraSlider.Label>
      </VisuallyHidden>
      <ChakraSlider.Control>
        <ChakraSlider.Track>
          <ChakraSlider.Range />
        </ChakraSlider.Track>
        <ChakraSlider.Thumb index={0}>
          <ChakraSlider.HiddenInput />
        </ChakraSlider.Thumb>
      </ChakraSlider.Control>
    </ChakraSlider.Root>
  );
}
