{{-- The line where a query is typed, with what it means beneath. --}}
@props(['review', 'sources', 'search' => null, 'action', 'method' => 'post'])
<form method="post" action="{{ $action }}" x-data="queryEditor" data-url="{{ route('searches.read', $review, false) }}">
    @csrf @method($method)
    <div class="sheet-body">
        <div class="row mb-3">
            <div class="field grow"><label for="name">Name</label><input class="input" id="name" name="name" value="{{ old('name', $search?->name) }}" maxlength="120" required></div>
            <div class="field"><label for="source">Database</label>
                <select class="input" id="source" name="source" x-ref="source" x-on:change="read" @disabled($search !== null)>@foreach ($sources as $key => $name) <option value="{{ $key }}" @selected($key === ($search->source ?? null))>{{ $name }}</option> @endforeach</select>
            </div>
        </div>
        <div class="field">
            <label for="query">Query</label>
            <textarea class="input input-mono" id="query" name="query" rows="3" spellcheck="false" autocapitalize="off" x-ref="query" x-model="query" x-on:input="typed" aria-describedby="query-problems" required>{{ old('query', $search?->query) }}</textarea>
            @error('query') <p class="field-error" role="alert">{{ $message }}</p> @enderror
            <div id="query-problems" role="status">
                <div x-show="hasProblems" x-cloak>
                    <div class="caret-line mt-1" aria-hidden="true"><template x-for="part in underlined" x-bind:key="part.id"><span x-text="part.text" x-bind:class="part.bad ? 'query-bad' : ''"></span></template></div>
                    <ul class="mt-2">
                        <template x-for="problem in problems" x-bind:key="problem.message"><li><button type="button" class="button-plain text-left underline" x-on:click="select(problem.start, problem.end)" x-text="problem.message"></button></li></template>
                    </ul>
                </div>
            </div>
        </div>
        <dl class="facts" x-cloak x-show="compiled">
            <dt>Sent as</dt>
            <dd><code x-text="compiled"></code> <button type="button" class="button button-plain" x-on:click="copy">Copy</button></dd>
            <dt>Finds</dt>
            <dd><strong x-text="countWords" x-show="counted"></strong><span x-show="busy" class="quiet">counting …</span><span x-text="failure"></span></dd>
            <dt x-show="hasNotes">Note</dt>
            <dd x-show="hasNotes"><ul><template x-for="note in notes" x-bind:key="note"><li x-text="note"></li></template></ul></dd>
        </dl>
    </div>
    <div class="sheet-foot"><button class="button button-go">Save and see the records</button> <span class="small quiet">Nothing is fetched yet.</span></div>
</form>
