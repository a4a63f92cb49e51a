import buildServer from '../build-server.js';
import { clients } from './clients.js';
import { databases } from './databases.js';
import { documents } from './documents.js';
import { disturbances } from './disturbances.js';
import { growth } from './growth.js';
import { kills } from './kills.js';
import { names } from './names.js';
import { requests } from './requests.js';
import { rescues } from './rescues.js';

// A small share of each part of "npm run attack", with other seeds
describe('Attacks on the server and the commands', () => {
  beforeAll(buildServer);

  it('no acknowledged save is lost when the server is killed', async () => {
    expect((await kills(3, 101)).findings).toEqual([]);
  });

  it('damaged databases are refused in a sentence or served, and rescued from', async () => {
    expect((await databases(8, 102)).findings).toEqual([]);
  });

  it('malformed requests are answered, none with an error of the server’s own', async () => {
    expect((await requests(120, 103)).findings).toEqual([]);
  });

  it('damaged documents give finite results or sentences', async () => {
    expect((await documents(60, 104)).findings).toEqual([]);
  });

  it('ten clients at once lose nothing', async () => {
    expect((await clients(10, 2, 105)).findings).toEqual([]);
  });

  it('every design whose pages are whole is rescued', async () => {
    expect((await rescues(8, 106)).findings).toEqual([]);
  });

  it('documents with numbers and counts beyond all frames end, or tell how far they are', async () => {
    const some = ['a coordinate of 1e13 m', 'a load factor of 1e-308', '100 lines that all cross'];
    expect((await growth(some)).findings).toEqual([]);
  });

  it('others that lock the database or move it away lose no save', async () => {
    expect((await disturbances(4, 107)).findings).toEqual([]);
  });

  it('names that are on every object, and titles that are formulas, harm nothing', async () => {
    expect((await names()).findings).toEqual([]);
  });
});
