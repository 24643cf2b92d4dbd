// How the page talks with the server: JSON both ways, and every failure as one kind of error with words for the reader.

const token = () => document.querySelector('meta[name="csrf-token"]').content;

export class Failure extends Error {
    constructor(message, status, body) {
        super(message);
        this.status = status;
        this.body = body;
    }

    // nothing was decided: the request may be sent again
    get mayPass() {
        return this.status === 0 || this.status >= 502;
    }
}

export async function ask(method, url, body) {
    return answered(url, {
        method,
        headers: {
            Accept: 'application/json',
            'Content-Type': 'application/json',
            'X-CSRF-TOKEN': token(),
            'X-Requested-With': 'XMLHttpRequest',
        },
        body: body === undefined ? undefined : JSON.stringify(body),
        // what was decided arrives although the page is left; browsers bound the size of such requests
        keepalive: method !== 'GET' && JSON.stringify(body ?? '').length < 50000,
    });
}

// files and texts as a form sends them; what is empty is left out
export async function upload(url, fields) {
    const body = new FormData();
    Object.entries(fields).forEach(([name, value]) => value && body.append(name, value));
    return answered(url, {
        method: 'POST',
        headers: { Accept: 'application/json', 'X-CSRF-TOKEN': token(), 'X-Requested-With': 'XMLHttpRequest' },
        body,
    });
}

async function answered(url, request) {
    let response;
    try {
        response = await fetch(url, { ...request, credentials: 'same-origin' });
    } catch {
        throw new Failure('The server cannot be reached.', 0, {});
    }
    const given = await response.json().catch(() => ({}));
    if (!response.ok) {
        throw new Failure(words(response.status, given), response.status, given);
    }
    return given;
}

function words(status, given) {
    if (status === 401 || status === 419) {
        return 'You have been signed out. Reload the page and sign in; nothing that was saved is lost.';
    }
    if (status === 422 && given.errors) {
        return Object.values(given.errors)[0][0];
    }
    return given.message || 'The server could not do this. Try again in a moment.';
}

// JSON that the page was sent with
export function data(id) {
    return JSON.parse(document.getElementById(id).textContent);
}
