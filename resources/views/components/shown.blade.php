{{-- What a form shows, so that nothing is overwritten unseen that somebody else made of it meanwhile. --}}
@props(['of', 'was' => null])
@use('App\Actions\Shared\Shown')
<input type="hidden" name="shown" value="{{ $was ?? Shown::stamp($of) }}">
