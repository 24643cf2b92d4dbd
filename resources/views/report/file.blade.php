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
                @include('report.claims-list')
            </section>
        @endif
    </body>

</html>
