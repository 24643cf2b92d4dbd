<?php

declare(strict_types=1);

namespace App\View\Inline;

use Illuminate\Support\HtmlString;
use Illuminate\View\ComponentAttributeBag;

/** The mark of a state, as the component draws it, once for all rows of a list that are in it. */
final class StateMark
{
    /** @var array<string, HtmlString> */
    private array $drawn = [];

    public function of(?string $state): HtmlString
    {
        return $this->drawn[$state ?? 'none'] ??= new HtmlString(
            trim(view('components.mark', [
                'verdict' => $state ?? 'none',
                'attributes' => new ComponentAttributeBag(),
            ])->render()),
        );
    }
}
