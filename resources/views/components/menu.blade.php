{{-- A button that opens a sheet beneath it. Attributes go to the button; menus.js keeps the sheet in sight and one open at a time. --}}
@props(['label', 'open' => false, 'up' => false, 'end' => false])
<details @class(['menu', 'menu-up' => $up, 'ml-auto' => $end]) @if ($open) open @endif>
    <summary {{ $attributes }}>{{ $label }}</summary>
    <div class="menu-sheet">{{ $slot }}</div>
</details>
