<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Http\Request;
use Illuminate\Log\LogManager;

/**
 * Who came in, who was refused and what left the house: in a log of its own, without passwords, links or what was read.
 */
final readonly class SecurityLog
{
    public function __construct(private LogManager $logs, private Request $request)
    {
    }

    /** @param  array<string, string|int|null>  $details */
    public function write(string $event, array $details = []): void
    {
        try {
            $this->logs->channel('security')->info($event, [
                'who' => $this->request->user()?->getAuthIdentifier(),
                'from' => $this->request->ip(),
                'route' => $this->request->route()?->getName(),
                ...$details,
            ]);
        } catch (\UnexpectedValueException $unwritable) {
            report($unwritable); // a full disk or a file of another user's keeps nobody out
        }
    }
}
