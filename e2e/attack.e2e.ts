import { expect, test } from '@playwright/test';
import { clients } from './attack/clients.js';
import { databases } from './attack/databases.js';
import { documents } from './attack/documents.js';
import { disturbances } from './attack/disturbances.js';
import { growth } from './attack/growth.js';
import { kills } from './attack/kills.js';
import { names } from './attack/names.js';
import { requests } from './attack/requests.js';
import { rescues } from './attack/rescues.js';

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

test('every design whose pages are whole is rescued', async () => {
  expect((await rescues(8, 106)).findings).toEqual([]);
});

test('documents with numbers and counts beyond all frames end, or tell how far they are', async () => {
  const some = ['a coordinate of 1e13 m', 'a load factor of 1e-308', '100 lines that all cross'];
  expect((await growth(some)).findings).toEqual([]);
});

test('others that lock the database or move it away lose no save', async () => {
  expect((await disturbances(4, 107)).findings).toEqual([]);
});

test('names that are on every object, and titles that are formulas, harm nothing', async () => {
  expect((await names()).findings).toEqual([]);
});
