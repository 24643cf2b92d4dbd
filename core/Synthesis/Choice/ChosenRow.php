<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Report\Used;

/** What goes into an analysis of one study, of which rows it is made, and why these. */
final readonly class ChosenRow
{
    /**
     * @param  list<string>  $rows
     * @param  string  $arms  which of the study's groups, where several stand beside one another; else empty
     * @param  string  $why  in words; empty where there was nothing to choose
     */
    public function __construct(public string $study, public array $rows, public Used $used, public string $arms = '', public string $why = '')
    {
    }
}
