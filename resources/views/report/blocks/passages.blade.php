@foreach ($passages as $study => $of)
    <p><strong>{{ $study }}</strong></p>
    @foreach ($of as $passage)
        <blockquote>
            <p>“{{ $passage->piece()->selector->quote }}” ({{ $passage->piece()->whereabouts() }})</p>
        </blockquote>
    @endforeach
@endforeach
