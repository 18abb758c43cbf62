import { startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

/** The value of a metric, told as a line of the text format. */
async function valueOf(line: RegExp): Promise<number> {
  const { text } = await server.http.get('/metrics').expect(200);
  const found = text.split('\n').find((one) => line.test(one));
  return found ? Number(found.split(' ').at(-1)) : NaN;
}

describe('what the server is at', () => {
  it('is told in the text format of Prometheus: requests, bytes, work, runs, the database', async () => {
    const { job } = await startJob(server);
    const films = /^brachytone_work_seconds_count\{work="films",ended="made"\}/;
    let { body } = await server.http.post('/api/runs').send({ jobId: job.id }).expect(201);
    while (body.status === 'queued' || body.status === 'running') {
      await new Promise((resolve) => setTimeout(resolve, 50));
      ({ body } = await server.http.get(`/api/runs/${body.id}`).expect(200));
    }
    expect(await valueOf(films)).toBeGreaterThanOrEqual(1);
    expect(await valueOf(/^brachytone_work_wait_seconds_count\{work="films"\}/)).toBeGreaterThanOrEqual(1);
    expect(await valueOf(/^brachytone_work\{state="waiting"\}/)).toBe(0);
    expect(await valueOf(/^brachytone_runs_waiting /)).toBe(0);
    expect(await valueOf(/^brachytone_runs_oldest_seconds /)).toBe(0);
    expect(await valueOf(/^brachytone_database_up /)).toBe(1);
    expect(await valueOf(/^process_resident_memory_bytes /)).toBeGreaterThan(1e7);
    expect(await valueOf(/^brachytone_http_bytes_total\{way="sent"\}/)).toBeGreaterThan(100);
    // By the pattern of an address: nothing that somebody named becomes a label.
    const asked =
      /^brachytone_http_request_seconds_count\{method="GET",route="\/api\/runs\/:id",status="200"\}/;
    expect(await valueOf(asked)).toBeGreaterThanOrEqual(1);
    const { text } = await server.http.get('/metrics').expect(200);
    expect(text).not.toContain(job.id);
  });

  it('is for no page of another origin', async () => {
    await server.http.get('/metrics').set('Origin', 'https://elsewhere.example').expect(403);
  });

  it('is ready while the database answers', async () => {
    await server.http.get('/api/health/ready').expect(200, { ready: true });
  });

  it('every request has an id: its proxy’s, if that is one', async () => {
    const id = async (given?: string) => {
      const asked = server.http.get('/api/health');
      if (given !== undefined) asked.set('X-Request-Id', given);
      return (await asked.expect(200)).headers['x-request-id'];
    };
    expect(await id('proxy-0042.a')).toBe('proxy-0042.a');
    expect(await id('no id at all')).toMatch(/^[0-9a-f-]{36}$/);
    expect(await id()).not.toBe(await id());
  });
});
