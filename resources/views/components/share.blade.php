{{-- A bar beside its number. --}}
@props(['part', 'whole'])
<svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true"><rect class="whole" width="100" height="12"/><rect class="part" width="{{ $whole > 0 ? round(100 * $part / $whole, 2) : 0 }}" height="12"/></svg>
