{{-- Questions about how a database writes a query. Each answer is written into the file below; what is left empty the database cannot say. --}}
<div class="sheet-body dialect-form" x-on:input="put">
    @php(
    $ask = [
        'What is it called?' => [['name', 'Short name', 'letters and hyphens'], ['title', 'Title', '']],
        'How are words joined?' => [['boolean.and', 'Both', 'AND'], ['boolean.or', 'Either', 'OR'], ['boolean.not', 'Without', 'NOT']],
        'How is a field asked for?' => [['fieldForm', 'The form', '{field} = {text}, or {text}[{field}]'], ['fields.title', 'Title is', 'TI'], ['fields.abstract', 'Abstract is', 'AB'], ['fields.keyword', 'Keywords are', 'KW'], ['fields.author', 'Authors are', 'AU'], ['fields.journal', 'Journal is', 'SO']],
        'What stands for letters?' => [['truncation.sign', 'Any ending', '*'], ['truncation.minimumStem', 'after at least so many letters', '3'], ['masking.one', 'One letter within a word', '?'], ['masking.any', 'Any number within a word', '*'], ['masking.maybe', 'One or none', '']],
        'How is a distance written?' => [['proximity.form', 'The form', '{left} NEAR/{distance} {right}'], ['proximity.furthest', 'at most so many words', '10']],
        'How is a heading asked for?' => [['heading.form', 'The form', 'SH{modifiers}={label}'], ['heading.narrower', 'with narrower ones', '+N'], ['heading.major', 'as a major topic', '']]
    ]
)
    @foreach ($ask as $question => $fields)
        <fieldset>
            <legend class="field-label">{{ $question }}</legend>
            @foreach ($fields as [$path, $label, $example])
                <label class="small">{{ $label }} <input class="input input-mono" data-path="{{ $path }}"
                        placeholder="{{ $example }}" maxlength="200" autocomplete="off" spellcheck="false"></label>
            @endforeach
        </fieldset>
        @if ($loop->first)
            <fieldset>
                <legend class="field-label">How is a phrase written?</legend>
                <label class="small">Between these quotation marks <select class="input" data-path="quote">
                        <option value='""'>"night shift"</option>
                        <option value="“”">“night shift”</option>
                        <option value="''">'night shift'</option>
                        <option value="«»">«night shift»</option>
                        <option value="{}">{night shift}</option>
                    </select></label>
            </fieldset>
        @endif
    @endforeach
    <p class="field-help">What is left empty the database cannot say; the translation then says what that costs. Limits, sets and rarer
        things stand in the file.</p>
</div>
