<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

/** A record that comments on another or corrects it, with its sentence that says most of it. */
final readonly class Remark
{
    public function __construct(public string $id, public string $sentence)
    {
    }
}
