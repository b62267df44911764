import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { configFrom, SettingFault, settingsOf } from '../../server/config.ts';
import { openWorkshop } from './workshop.ts';

const shop = openWorkshop();

describe('for whatever watches over it', () => {
  test('alive, and ready with its database', async () => {
    const health = await request(shop.app()).get('/health');
    expect([health.status, health.text]).toEqual([200, 'alive\n']);
    const ready = await request(shop.app()).get('/ready');
    expect([ready.status, ready.text, ready.headers['cache-control']]).toEqual([200, 'ready\n', 'no-store']);
  });
});

describe('settings', () => {
  const standing = { databaseUrl: '', pageFolder: null, sessionSecret: '', sample: false };
  test.each([
    [{ LOG_LEVEL: 'loud' }, 'LOG_LEVEL is “loud”: write one of silent, error, warn, info, debug.'],
    [{ FILES_QUOTA_MB: 'much' }, 'FILES_QUOTA_MB is “much”: write a whole number from 1 to 10000000.'],
  ])('%o is said in a sentence', (env, sentence) => {
    expect(() => configFrom(env, standing)).toThrow(SettingFault);
    expect(() => configFrom(env, standing)).toThrow(sentence);
  });
  test('of the process', () => {
    expect(() => settingsOf({ WORK: 'maybe' })).toThrow(
      'WORK is “maybe”: write on, or off where npm run work does it.',
    );
    expect(settingsOf({})).toEqual({ backupFolder: 'backups', work: true });
    expect(settingsOf({ WORK: 'off', BACKUP_FOLDER: '/mnt/b' })).toEqual({ backupFolder: '/mnt/b', work: false });
  });
  test('every one is told in docs/running.md, and no other', () => {
    const told = [...readFileSync('docs/running.md', 'utf8').matchAll(/^\| `([A-Z_]+)` \|/gm)].map(([, name]) => name!);
    const sources = [
      'server/config.ts',
      'tools/serve.ts',
      'tools/start.ts',
      'tools/openDatabase.ts',
      'tools/whichDatabase.ts',
    ];
    const code = sources.map((file) => readFileSync(file, 'utf8')).join('\n');
    const names = code.matchAll(/env\.([A-Z_]+)|wholeFrom\(\s*[\w.]+,\s*'([A-Z_]+)'/g);
    const read = [...names].map(([, a, b]) => a ?? b!);
    expect(new Set(told)).toEqual(new Set(read));
  });
});

describe('the service file of systemd', () => {
  const FILE = 'deploy/dajo.service';
  test('has every section, and a key and a value on each line', () => {
    const sections: Record<string, string[]> = {};
    let section = '';
    for (const line of readFileSync(FILE, 'utf8').split('\n')) {
      if (line === '' || line.startsWith('#')) continue;
      const [, head] = /^\[(\w+)\]$/.exec(line) ?? [];
      if (head) {
        section = head;
        sections[head] = [];
        continue;
      }
      expect(line).toMatch(/^[A-Z]\w+=\S.*$/);
      sections[section]!.push(line.split('=')[0]!);
    }
    expect(Object.keys(sections)).toEqual(['Unit', 'Service', 'Install']);
    expect(sections.Service).toEqual(expect.arrayContaining(['ExecStart', 'User', 'Restart', 'TimeoutStopSec']));
  });
  test.skipIf(!existsSync('/usr/bin/systemd-analyze'))('is what systemd itself takes', () => {
    // What is not on this machine (the folder, the user's npm) is put in its place.
    const folder = mkdtempSync(join(tmpdir(), 'unit-'));
    const unit = readFileSync(FILE, 'utf8')
      .replace('/usr/bin/npm', '/bin/true')
      .replaceAll('/opt/dajo', folder)
      .replace('/etc/dajo.env', '-/etc/dajo.env');
    writeFileSync(join(folder, 'dajo.service'), unit);
    const { stderr, status } = spawnSync('systemd-analyze', ['verify', '--man=no', join(folder, 'dajo.service')], {
      encoding: 'utf8',
    });
    const mine = stderr.split('\n').filter((line) => line.includes('dajo.service:'));
    rmSync(folder, { recursive: true });
    expect([mine, status === null]).toEqual([[], false]);
  });
});
