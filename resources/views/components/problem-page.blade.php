{{-- What is shown when something went wrong: what happened, what became of the work, and ways on. Asks no database. --}}
@props(['title', 'exception' => null])
@php($came = url()->previous(''))
<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <meta name="viewport" content="width=device-width, initial-scale=1">
        <title>{{ $title }} · Wary Heron</title>
        <link rel="icon" href="/heron.svg" type="image/svg+xml">
        @vite(['resources/css/app.css'])
    </head>

    <body>
        <header class="bar"><a class="bar-home" href="{{ url('/') }}">Wary Heron</a></header>
        <main id="main">
            <div class="narrow">
                <section class="sheet">
                    <header class="sheet-head">
                        <h1>{{ $title }}</h1>
                    </header>
                    <div class="sheet-body reading-width">
                        {{ $slot }}
                        <p class="row mt-4">
                            @if ($came !== '' && str_starts_with($came, url('/') . '/') && $came !== url()->current())
                                <a class="button button-go" href="{{ $came }}">Back to where you were</a>
                            @endif
                            <a class="button" href="{{ url('/') }}">All my reviews</a>
                        </p>
                    </div>
                </section>
            </div>
        </main>
    </body>

</html>
