<?php

declare(strict_types=1);

namespace App\View\Api;

use App\Queries\Api\Schema;

/** What is sent or comes back: its type of media and what stands in it. */
final readonly class Content implements \JsonSerializable
{
    public function __construct(private string $about, private string $type, private Schema $schema)
    {
    }

    /** As the body of a request that has to have one. */
    public function asked(): object
    {
        return (object) ['required' => true, 'content' => $this->byType()];
    }

    /** As the answer to one. */
    public function jsonSerialize(): object
    {
        return (object) ['description' => $this->about, 'content' => $this->byType()];
    }

    private function byType(): object
    {
        return (object) [$this->type => ['schema' => $this->schema]];
    }
}
