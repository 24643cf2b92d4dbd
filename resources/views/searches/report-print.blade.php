<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>Search report: {{ $review->title }}</title>
    </head>

    <body>
        <h1>Search report: {{ $review->title }}</h1>
        <p>{{ $review->question }}</p>
        <p>{{ now()->format('j M Y') }}</p>
        @include('searches.report-body')
    </body>

</html>
