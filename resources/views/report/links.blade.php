<x-page title="Reading links" :review="$review" stage="report" place="report.links">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Reading links</h1> <span>addresses by which outsiders read, and do nothing else</span>
            </header>
            @if (session('address'))
                <div class="section" role="status">
                    <p>The address, which is shown this once:</p>
                    <p><code>{{ session('address') }}</code></p>
                </div>
            @endif
            @if ($version === null)
                <p class="section">They read the report as it was kept last under a name; nothing has been kept yet. <a
                        href="{{ route('report.text', $review) }}">Keep a version</a> first.</p>
            @else
                <p class="section small quiet">They read “{{ $version->name }}” of {{ $version->created_at->format('j M Y') }}, with its claims and their words, the searches
                    and the decisions on full text. Nobody's name stands there but in what you wrote, unless an address says otherwise.</p>
            @endif
            @if ($links->isEmpty())
                <x-empty title="Nobody reads along yet">Give an address to those who asked for the review, or to who checks it.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">For</th>
                            <th scope="col">Since</th>
                            <th scope="col">Until</th>
                            <th scope="col" class="number">Opened</th>
                            <th scope="col"><span class="sr-only">Take back</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($links as $link)
                            <tr>
                                <td>{{ $link->name }}{{ $link->password_hash === null ? '' : ', with a password' }}{{ $link->with_texts ? ', with full texts' : '' }}{{ $link->with_names ? ', with names' : '' }}{{ $link->with_comments ? ', with comments' : '' }}</td>
                                <td>{{ $link->created_at->format('j M Y') }}</td>
                                <td>{{ $link->revoked_at !== null ? 'taken back ' . $link->revoked_at->format('j M Y') : $link->expires_at?->format('j M Y') ?? 'no end' }}</td>
                                <td class="number">{{ number_format($link->visits) }}</td>
                                <td>
                                    @if (!$link->isOver())
                                        @can('manage', $review)
                                            <form method="post" action="{{ route('report.links.revoke', [$review, $link]) }}">@csrf <button
                                                    class="button button-plain" aria-label="Take back: {{ $link->name }}">Take back</button></form>
                                        @endcan
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
            @if ($comments->isNotEmpty())
                <header class="sheet-head">
                    <h2 id="comments">What readers said</h2>
                </header>
                @foreach ($comments as $one)
                    <article class="section reader-comment">
                        <p class="small quiet"><strong>{{ $one->name }}</strong> of “{{ $one->link_name }}”, {{ $one->created_at->format('j M Y, H:i') }}, on
                            {{ $one->about === '' ? 'the whole' : '“' . $one->about . '”' }} in “{{ $one->version->name }}”</p>
                        <p class="as-typed" dir="auto">{{ $one->body }}</p>
                        @if ($one->done_at !== null)
                            <p class="small quiet">Seen to {{ $one->done_at->format('j M Y') }}</p>
                        @else
                            @can('manage', $review)
                                <form method="post" action="{{ route('report.comments.seen', [$review, $one]) }}">@csrf <button
                                        class="button button-small" aria-label="Seen to: {{ $one->name }}">Seen to</button></form>
                            @endcan
                        @endif
                    </article>
                @endforeach
            @endif
        </section>
        @can('manage', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>New link</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('report.links.store', $review) }}">@csrf
                    <div class="field"><label for="link-name">For whom</label><input class="input" id="link-name" name="name" maxlength="200" required></div>
                    <div class="field"><label for="link-password">Password, if any</label><input class="input" id="link-password" name="password"
                            type="password" minlength="8" maxlength="200" autocomplete="new-password"></div>
                    <div class="field"><label for="link-days">Days until it ends (empty: none)</label><input class="input number" id="link-days"
                            name="days" inputmode="numeric" size="5"></div>
                    <label class="field block"><input type="checkbox" name="texts" value="1"> with the full texts of included studies (their publishers’
                        rights allow it)</label>
                    <label class="field block"><input type="checkbox" name="names" value="1"> with who decided</label>
                    <label class="field block"><input type="checkbox" name="comments" value="1"> with room for comments to the team</label>
                    @if ($errors->any())
                        <p class="field-error" role="alert">{{ $errors->first() }}</p>
                    @endif
                    <button class="button button-go">Give an address</button>
                </form>
            </section>
        @endcan
    </div>
</x-page>
