import { readSettings } from '../src/settings';

describe('readSettings', () => {
  it('binds to loopback unless told otherwise', () => {
    expect(readSettings([])).toEqual({
      port: 8417,
      host: '127.0.0.1',
      data: '.data',
      web: null,
      samples: false,
      log: null,
      names: [],
    });
    expect(readSettings(['--host', '0.0.0.0', '--port', '0', '--samples'])).toMatchObject({
      host: '0.0.0.0',
      port: 0,
      samples: true,
    });
  });

  it.each([[['--port', 'x']], [['--port', '70000']], [['--loud']], [['--data', '']]])(
    'refuses %j',
    (words) => {
      expect(() => readSettings(words)).toThrow();
    },
  );
});
