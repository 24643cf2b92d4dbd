@foreach ($asked->found['counted'] as $one)
    <section class="ask-numbers" aria-label="{{ $one['of'] }}">
        <h2>{{ Str::ucfirst($one['of']) }}</h2>
        <p class="small quiet">Counted: {{ $one['how'] }}.</p>
        <table class="table">
            <thead>
                <tr>
                    <th scope="col">Analysis</th>
                    <th scope="col">{{ Str::after($one['of'], ' ') }}</th>
                </tr>
            </thead>
            <tbody>
                @foreach ($one['rows'] as $row)
                    <tr>
                        <td><a href="{{ $row['url'] }}">{{ $row['label'] }}</a></td>
                        <td>{{ $row['value'] }}</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    </section>
@endforeach
@if ($asked->found['numbers'] !== [])
    <section class="ask-numbers" aria-label="Numbers that bear on it">
        <h2>Numbers that bear on it</h2>
        <dl class="facts">
            @foreach ($asked->found['numbers'] as $one)
                <dt>{{ $one['label'] }}</dt>
                <dd>{{ $one['value'] }}</dd>
            @endforeach
        </dl>
    </section>
@endif
