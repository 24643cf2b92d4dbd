<?php

declare(strict_types=1);

namespace App\View\Report;

use Closure;

/** What a live block shows: HTML of ours, and the facts by which a change is told. */
final readonly class BlockContent
{
    /** So many changes are told one by one. */
    private const TOLD = 4;

    /**
     * @param  Closure(): string|string  $html  made only where it is shown
     * @param  array<string, string>  $facts  in words, by what they are of
     */
    public function __construct(public string $title, private Closure|string $html, public array $facts)
    {
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(
            (string) ($kept['title'] ?? ''),
            (string) ($kept['html'] ?? ''),
            array_map(strval(...), (array) ($kept['facts'] ?? [])),
        );
    }

    public function html(): string
    {
        return $this->html instanceof Closure ? ($this->html)() : $this->html;
    }

    /** @return array<string, string|array<string, string>> */
    public function toArray(): array
    {
        return ['title' => $this->title, 'html' => $this->html(), 'facts' => $this->facts];
    }

    /** In words, what has changed since; empty where nothing has. */
    public function changed(self $now): string
    {
        $changes = [];
        foreach ($this->facts + $now->facts as $of => $ignored) {
            [$was, $is] = [$this->facts[$of] ?? null, $now->facts[$of] ?? null];
            if ($was !== $is) {
                $changes[] = match (true) {
                    $was === null => "{$of} is new: {$is}",
                    $is === null => "{$of} is gone",
                    default => "{$of}: {$was} → {$is}",
                };
            }
        }
        $more = count($changes) - self::TOLD;

        return implode('; ', array_slice($changes, 0, self::TOLD)).($more > 0 ? "; and {$more} more" : '');
    }
}
