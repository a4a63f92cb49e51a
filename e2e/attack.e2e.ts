import { expect, test } from '@playwright/test';
import { clients } from './attack/clients.js';
import { databases } from './attack/databases.js';
import { documents } from './attack/documents.js';
import { kills } from './attack/kills.js';
import { requests } from './attack/requests.js';

// A small share of each part of "npm run attack", with other seeds

test('no acknowledged save is lost when the server is killed', async () => {
  expect((await kills(3, 101)).findings).toEqual([]);
});

test('damaged databases are refused in a sentence or served, and rescued from', async () => {
  expect((await databases(8, 102)).findings).toEqual([]);
});

test('malformed requests are answered, none with an error of the server’s own', async () => {
  expect((await requests(120, 103)).findings).toEqual([]);
});

test('damaged documents give finite results or sentences', async () => {
  expect((await documents(60, 104)).findings).toEqual([]);
});

test('ten clients at once lose nothing', async () => {
  expect((await clients(10, 2, 105)).findings).toEqual([]);
});
