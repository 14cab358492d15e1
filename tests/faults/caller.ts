/** A device that talks to the shop over its API alone, signed in as one person. */
export class Caller {
  private constructor(
    private url: string,
    private readonly cookie: string,
    private readonly authorId: string,
  ) {}

  static async signedIn(url: string, name: string): Promise<Caller> {
    const answer = await fetch(`${url}/api/v1/session`, {
      method: 'POST',
      headers: { origin: url, 'content-type': 'application/json' },
      body: JSON.stringify({ name, password: 'scribed-in-blue' }),
    });
    if (!answer.ok) throw new Error(`${name} could not sign in: ${await answer.text()}`);
    const { actor } = (await answer.json()) as { actor: { id: string } };
    return new Caller(url, answer.headers.getSetCookie()[0]?.split(';')[0] ?? '', actor.id);
  }

  /** The shop was started anew and listens elsewhere. */
  at(url: string): void {
    this.url = url;
  }

  get headers(): Record<string, string> {
    return { origin: this.url, cookie: this.cookie };
  }

  /** Sends a photograph of no part. */
  photograph(jobId: string, id: string, bytes: Buffer, digest: string): Promise<Response> {
    const content = {
      ...{ jobId, authorId: this.authorId, deviceTime: new Date().toISOString(), fileName: 'load.jpg' },
      ...{ bytes: bytes.length, digest },
    };
    return fetch(`${this.url}/api/v1/photographs/${id}`, {
      method: 'PUT',
      body: bytes as unknown as BodyInit,
      headers: {
        ...this.headers,
        'content-type': 'application/octet-stream',
        'x-capture': encodeURIComponent(JSON.stringify(content)),
      },
    });
  }

  ask(method: string, path: string, body?: unknown): Promise<Response> {
    return fetch(`${this.url}${path}`, {
      method,
      headers: { ...this.headers, 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  /** Books a hypoid axle in on the next free peg; answers its job's id. */
  async bookIn(machine: string): Promise<string> {
    const asked = (peg: number) =>
      this.ask('POST', '/api/v1/jobs', {
        ...{ peg, customer: 'Odda Lyng, farmer', customerContact: '', machine, serial: '', tag: '' },
        ...{ unitTypeId: 'torvane-hx41', unitTitle: 'Axle head', unitFamily: 'hypoid-axle' },
        ...{ complaint: 'Howls.', symptoms: [], oilClaimed: '', history: '', dueOn: '2030-01-15' },
      });
    const { message } = (await (await asked(412)).json()) as { message: string };
    const answer = await asked(Number(/next free one is (\d+)/.exec(message)?.[1]));
    return ((await answer.json()) as { jobId: string }).jobId;
  }

  /** Sends one backlash reading; answers the status. */
  async reading(jobId: string, id: string, raw: string): Promise<number> {
    const answer = await this.ask('PUT', `/api/v1/captures/readings/${id}`, {
      ...{ jobId, authorId: this.authorId, deviceTime: new Date().toISOString() },
      ...{ positionId: 'ring-gear', checkId: 'backlash', place: 'tooth 1', raw, unit: 'mm' },
      gaugeId: 'dial-g4',
    });
    await answer.arrayBuffer();
    return answer.status;
  }

  async pegOf(jobId: string): Promise<number> {
    const answer = await this.ask('GET', `/api/v1/jobs/${jobId}`);
    return ((await answer.json()) as { job: { peg: number } }).job.peg;
  }

  async readingIds(jobId: string): Promise<string[]> {
    const answer = await this.ask('GET', `/api/v1/jobs/${jobId}`);
    return ((await answer.json()) as { readings: { id: string }[] }).readings.map(({ id }) => id);
  }
}
