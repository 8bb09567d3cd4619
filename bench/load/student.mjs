// A student at a connection of their own: visits, asks, searches and saves.
import { Client } from 'undici';

export const term = '2027SP';

let visited = 0;

export class Student {
  static async visits(address) {
    const student = new Student(new Client(address, { pipelining: 1, headersTimeout: 0, bodyTimeout: 0 }));
    // Newcomers of one address are counted; these come from many, as the server's proxy would say.
    visited++;
    student.headers['x-forwarded-for'] = `10.${visited >> 16}.${(visited >> 8) & 255}.${visited & 255}`;
    const { headers } = await student.send('POST', '/api/visit');
    student.headers.cookie = headers['set-cookie'].split(';')[0];
    student.sketch = JSON.parse((await student.send('POST', `/api/terms/${term}/sketch`)).text);
    return student;
  }

  constructor(client) {
    this.client = client;
    this.headers = {};
  }

  /** Sends a request; refusals for too much at once are an answer, too. */
  async send(method, path, body) {
    const answer = await this.request(method, path, body);
    const text = await answer.body.text();
    if (answer.statusCode >= 400 && answer.statusCode !== 429)
      throw new Error(`${method} ${path}: ${answer.statusCode} ${text.slice(0, 300)}`);
    return { status: answer.statusCode, headers: answer.headers, text };
  }

  request(method, path, body) {
    const { headers } = this;
    return body === undefined
      ? this.client.request({ method, path, headers })
      : this.client.request({
          method,
          path,
          headers: { ...headers, 'content-type': 'application/json' },
          body: JSON.stringify(body),
        });
  }

  answer(ask) {
    return this.send('POST', '/api/answers', { ask });
  }

  search(query) {
    return this.send('GET', `/api/terms/${term}/search?${query}`);
  }

  async save(ask) {
    const { version, name, shortlist, id } = this.sketch;
    const saved = await this.send('PUT', `/api/sketches/${id}`, { version, name, shortlist, ask });
    if (saved.status === 200) this.sketch = JSON.parse(saved.text).sketch;
    return saved;
  }

  /** Sends a request and looks at nothing of the answer but its status; the client is to be busy as little as can be. */
  async sendBlindly(method, path, body) {
    const answer = await this.request(method, path, body);
    await answer.body.dump({ limit: Infinity });
    return { status: answer.statusCode };
  }

  leave() {
    return this.client.destroy();
  }
}
