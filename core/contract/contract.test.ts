import { ApiError, errorOf, hasCode } from './api-error.ts';
import { urlOf, wireRequest } from './contract.ts';

describe('a request', () => {
  it('has its path filled and its query written', () => {
    expect(
      wireRequest('GET /api/tracks/:id/edits', { params: { id: 'a/b' }, query: { after: 3, batch: 'x&y' } }),
    ).toEqual({
      method: 'GET',
      url: '/api/tracks/a%2Fb/edits?after=3&batch=x%26y',
      body: undefined,
    });
    expect(
      urlOf('PUT /api/work/:id/parts/:number', {
        params: { id: 'w', number: '2' },
        body: { page: 'p', progress: 0, part: null },
      }),
    ).toBe('/api/work/w/parts/2');
    expect(wireRequest('GET /api/jobs')).toEqual({ method: 'GET', url: '/api/jobs', body: undefined });
  });

  it('that is misspelt is a type error', () => {
    // @ts-expect-error there is no such route
    const route = wireRequest('GET /api/job');
    // @ts-expect-error the id is missing
    const request = wireRequest('GET /api/jobs/:id');
    expect([route, request]).toHaveLength(2);
  });
});

describe('an error', () => {
  it('travels whole', () => {
    const behind = new ApiError('behind', 'Others were first.', { edit: 3, batch: 'b', since: [] });
    const back = errorOf(behind.status, JSON.parse(JSON.stringify(behind.toBody())));
    expect(back).toMatchObject({ code: 'behind', status: 409, details: { edit: 3 } });
    expect(hasCode(back, 'behind') && back.details?.edit).toBe(3);
  });

  it.each([null, 'no JSON', { code: 'constructor' }, { code: 7, message: '' }])(
    'of %j is one nobody expected',
    (body) => {
      expect(errorOf(502, body)).toMatchObject({ code: 'unexpected', status: 502 });
      expect(errorOf(502, body).message).not.toBe('');
    },
  );
});
