<x-page title="Programming interface" :review="$review" stage="report" place="interface">
    <div class="desk">
        @if (session('token'))
            <section class="sheet" role="status">
                <header class="sheet-head">
                    <h2>Your new token</h2> <span>shown once: keep it where your program finds it and nobody else does</span>
                </header>
                <p class="sheet-body" x-data="copying"><code class="api-token">{{ session('token') }}</code>
                    <button type="button" class="button" x-on:click="text($el, '{{ session('token') }}')">Copy</button></p>
            </section>
        @endif
        <section class="sheet">
            <header class="sheet-head">
                <h1>Tokens for programs</h1> <span>a program works in this review in your name, and may never do more than you</span>
            </header>
            @if ($tokens->isEmpty())
                <x-empty title="No token yet">With one, a program of yours reads what you may read, and delivers, decides or codes where you say so.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Program</th>
                            <th scope="col">Of</th>
                            <th scope="col">May</th>
                            <th scope="col">Used last</th>
                            <th scope="col">Until</th>
                            <th scope="col"><span class="visually-hidden">Take back</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($tokens as $one)
                            <tr>
                                <td>{{ $one->name }}</td>
                                <td>{{ $one->tokenable_id === $me ? 'you' : $one->owner->name }}</td>
                                <td>{{ implode(', ', $one->abilities) }}</td>
                                <td>{{ $one->last_used_at?->format('j M Y, H:i') ?? 'never' }}</td>
                                <td>{{ $one->expires_at->format('j M Y') }}{{ $one->expires_at->isPast() ? ', over' : '' }}</td>
                                <td class="number">
                                    <form method="post" action="{{ route('tokens.destroy', [$review, $one->id]) }}">@csrf @method('delete')<button
                                            class="link" aria-label="Take back: {{ $one->name }}">Take back</button></form>
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
            <form method="post" action="{{ route('tokens.store', $review) }}" class="sheet-body api-form">@csrf
                <label>Program <input class="input" name="name" maxlength="120" required value="{{ old('name') }}" placeholder="such as: nightly table"></label>
                <fieldset>
                    <legend>It may</legend>
                    @foreach ($abilities as $one)
                        <label><input type="checkbox" name="abilities[]" value="{{ $one->value }}" @checked(in_array($one->value, old('abilities', ['read']), true))>
                            {{ $one->label() }}</label>
                    @endforeach
                </fieldset>
                <label>for <select class="input" name="days">
                        @foreach ($days as $one)
                            <option value="{{ $one }}" @selected($one === 90)>{{ $one }} days</option>
                        @endforeach
                    </select></label>
                <button class="button button-go">Make a token</button>
                @foreach ($errors->all() as $problem)
                    <p class="says-warn" role="alert">{{ $problem }}</p>
                @endforeach
            </form>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>What there is</h2> <span>below {{ $address }}; for machines as <a href="{{ route('api.description') }}">OpenAPI 3.1</a></span>
            </header>
            <div class="sheet-body api-words">
                <p>Send <code>Authorization: Bearer heron_…</code> with each request. Answers are JSON in UTF-8, times in UTC.</p>
                <p>Lists come {{ number_format(100) }} at a time, up to <code>limit=500</code>; <code>next</code> is the address of the next page, and
                    empty on the last. Each answer has an <code>ETag</code>: sent back as <code>If-None-Match</code>, what has not changed is not sent again (304).</p>
                <p>What cannot be done is answered as <code>application/problem+json</code> with the reason in <code>detail</code>. A request that changes
                    something may carry an <code>Idempotency-Key</code>: sent twice, it is carried out once. More than 600 requests a minute wait (429, with
                    <code>Retry-After</code>).</p>
                <p>What blinding hides from you is hidden from your programs.</p>
            </div>
            <table class="table api-paths">
                <thead>
                    <tr>
                        <th scope="col">Request</th>
                        <th scope="col">What it does</th>
                        <th scope="col">Needs</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($paths as $path => $operations)
                        @foreach ($operations as $method => $operation)
                            <tr>
                                <td><code>{{ strtoupper($method) }} {{ str_replace('{review}', $review->id, $path) }}</code></td>
                                <td>{{ $operation->summary }}</td>
                                <td>{{ $operation->needs() }}</td>
                            </tr>
                        @endforeach
                    @endforeach
                </tbody>
            </table>
        </section>
        @foreach ($lists as $name => $list)
            <section class="sheet" id="list-{{ $name }}">
                <header class="sheet-head">
                    <h2><code>{{ $name }}</code></h2> <span>{{ $list->about }}</span>
                </header>
                <table class="table">
                    <caption class="visually-hidden">Fields of {{ $name }}</caption>
                    <tbody>
                        @foreach ($list->fields as $field => $is)
                            <tr>
                                <th scope="row"><code>{{ $field }}</code></th>
                                <td>{{ $is->about }}</td>
                            </tr>
                        @endforeach
                        @foreach ($list->filters as $filter => [$is])
                            <tr>
                                <th scope="row"><code>?{{ $filter }}=</code></th>
                                <td>{{ $is->about }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </section>
        @endforeach
    </div>
</x-page>
