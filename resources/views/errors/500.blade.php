<x-problem-page title="Something went wrong here">
    <p>It is our mistake, not yours. What was saved before is kept; what you were just doing may not have been done, so look before doing it
        again.</p>
    @if ($named = Illuminate\Support\Facades\Context::get('request'))
        <p class="small quiet">Whoever runs this copy finds it by the number <code>{{ $named }}</code>.</p>
    @endif
    <p class="small quiet">It is written down with the time, {{ now()->format('j M Y, H:i:s') }} UTC; tell whoever runs this copy if it
        happens again.</p>
</x-problem-page>
