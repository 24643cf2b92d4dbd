{{-- What each claim of a report rests on: study, what it says, its words and their place. --}}
<ol>
    @foreach ($claims as $number => $claim)
        <li id="claim-{{ $number }}">
            @forelse (array_column($claim->evidence, 'piece') as $one)
                <p><strong>{{ $one->study }}</strong>{{ $one->says !== '' ? ", {$one->says}" : '' }}{{ $one->quote !== '' ? ':' : '' }}
                    @if ($one->quote !== '')
                        <q>{{ $one->quote }}</q> ({{ $one->where }})
                    @endif
                </p>
            @empty
                <p>{{ $claim->own ? 'The authors’ own.' : 'Nothing has been named yet.' }}</p>
            @endforelse
        </li>
    @endforeach
</ol>
