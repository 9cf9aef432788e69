import { useSyncExternalStore } from 'react';
import type { Gives, Instrument } from './instrument';
import { simulatedLaser, simulatedLevel } from './stand-ins';

/** Every instrument that can be connected. */
export const INSTRUMENTS: readonly Instrument[] = [simulatedLaser(), simulatedLevel()];

let connected: readonly Instrument[] = [];
const listeners = new Set<() => void>();

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Connects an instrument for this window, or lets it go. */
export const connect = (instrument: Instrument, wanted: boolean): void => {
  const rest = connected.filter(({ id }) => id !== instrument.id);
  connected = wanted ? [...rest, instrument] : rest;
  for (const listener of listeners) listener();
};

export const useConnected = (): readonly Instrument[] =>
  useSyncExternalStore(
    subscribe,
    () => connected,
    () => connected,
  );

/** The connected instrument that a field of a sort can be filled from; undefined where there is none. */
export const useInstrumentFor = (gives: Gives | undefined): Instrument | undefined =>
  useConnected().find((one) => one.gives === gives);
