<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** What kind of answer a coder gave. That something is not reported is an answer; a blank is none. */
enum AnswerKind: string
{
    case Value = 'value';
    case NotReported = 'not-reported';
    case NotApplicable = 'not-applicable';

    public function label(): string
    {
        return match ($this) {
            self::Value => 'value',
            self::NotReported => 'not reported',
            self::NotApplicable => 'not applicable',
        };
    }
}
