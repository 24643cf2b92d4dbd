<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>{{ $title }}</title>
        @if ($isPage)
            <style>
                {!! file_get_contents(resource_path('css/report-file.css')) !!}
            </style>
        @endif
    </head>

    <body>
        {!! $body !!}
        @if ($references !== '')
            <h2>References</h2>
            {!! $references !!}
        @endif
        @if ($isPage && $claims !== [])
            <section class="claims">
                <h2>What the claims rest on</h2>
                <ol>
                    @foreach ($claims as $claim)
                        <li id="claim-{{ $claim['n'] }}">
                            @forelse ($claim['evidence'] as $one)
                                <p><strong>{{ $one['study'] }}</strong>{{ $one['says'] !== '' ? ", {$one['says']}" : '' }}@if ($one['quote'] !== '')
                                        : <q>{{ $one['quote'] }}</q> ({{ $one['where'] }})
                                    @endif
                                </p>
                            @empty
                                <p>{{ $claim['own'] ? 'The authors’ own.' : 'Nothing has been named yet.' }}</p>
                            @endforelse
                        </li>
                    @endforeach
                </ol>
            </section>
        @endif
    </body>

</html>
