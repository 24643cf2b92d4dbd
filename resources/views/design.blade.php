<x-page title="Design">
    <div class="desk grid-cols-2">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Marks for decisions</h1> <span>fill, never colour</span>
            </header>
            <table class="table">
                <tbody>
                    @foreach (['include', 'exclude', 'unsure', 'disagreement', 'none'] as $verdict)
                        <tr>
                            <td><x-mark :verdict="$verdict" /></td>
                            <td>{{ $verdict === 'none' ? 'nothing yet' : $verdict }}</td>
                            <td><code>&lt;x-mark verdict="{{ $verdict }}" /&gt;</code></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Colours</h2>
            </header>
            <table class="table">
                <tbody>
                    @foreach (['sheet' => 'sheets', 'shade' => 'quiet ground', 'mist' => 'page', 'rule' => 'rules',
                        'ink' => 'text', 'teal' => 'what can be acted on', 'teal-soft' => 'chosen',
                        'beak' => 'waits for you, and nothing else', 'stream' => 'the Waterline'] as $token => $use)
                        <tr>
                            <td><svg class="swatch swatch-{{ $token }}" viewBox="0 0 40 18" aria-hidden="true">
                                    <rect width="40" height="18" />
                                </svg></td>
                            <td><code>--{{ $token }}</code></td>
                            <td>{{ $use }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Buttons</h2>
            </header>
            <div class="sheet-body row"><button class="button button-go">Fetch 412 records</button><button
                    class="button">Save</button><button class="button button-plain">Take it out</button><button class="button" disabled>Not
                    now</button><span class="waits">37</span></div>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Fields</h2>
            </header>
            <div class="sheet-body"><x-field name="sample" label="Short title" help="Stands on every page."
                    value="Bright light on night shifts" /><input class="input input-mono" aria-label="Query" value="light NEAR/3 expos*">
            </div>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Reading</h2>
            </header>
            <article class="reading">
                <h1>A lamp for the small hours</h1>
                <p class="meta">Okafor I, Haas M · Nocturnal Medicine · 2019 · 24(2):11–19</p><x-abstract :parts="[
                    new WaryHeron\Core\Text\AbstractPart('Background', 'Alertness is lowest before dawn.'),
                    new WaryHeron\Core\Text\AbstractPart('Methods', 'Eighteen wards took part.'),
                ]" />
            </article>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>A bar beside its number</h2>
            </header>
            <table class="table bars">
                <tbody>
                    <tr>
                        <td>Included</td>
                        <td class="number">61</td>
                        <td class="bar-cell w-2/3"><x-share :part="61" :whole="300" /></td>
                    </tr>
                </tbody>
            </table>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Nothing here</h2>
            </header><x-empty title="No searches yet">Says why it is empty and what to do next.</x-empty>
        </section>
    </div>
</x-page>
